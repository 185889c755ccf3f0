export { appendEvents, type Sender } from './append';
export { answerQuestion, closeSession, type ParkedQuestion, parkedLastTime } from './close';
export { eventsOf, getLog, openLog, type RunLog, takeLead } from './log';
export { allSaid, basisOf, getRun, prepareRun, type Run, runOfSession } from './prepare';
export { MOST_BEFORE } from './scores';
export { freeLead, type LeftSession, sessionsLeft, sessionToLead } from './standing';
