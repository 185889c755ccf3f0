export { answerQuestion, closeSession, type ParkedQuestion, parkedLastTime } from './close';
export { appendEvents, eventsOf, getLog, openLog, type RunLog, type Sender, takeLead } from './log';
export { allSaid, basisOf, getRun, prepareRun, type Run, runOfSession } from './prepare';
export { freeLead, type LeftSession, sessionsLeft, sessionToLead } from './standing';
