'use client';

import type { Assistant, KnownSpeech } from '@/browser/assistant';
import { type Plan, placedSegments } from '@/core/class';
import type { Language } from '@/core/language';
import type { Score } from '@/core/score';
import { piecesWanted } from '@/core/take-away';
import { FilmDialog } from '../film/film-dialog';
import { MusicDialog } from '../music/music-dialog';
import { RecordDialog } from '../voice/record-dialog';
import { DraftDialog } from './draft-dialog';
import { FitDialog } from './fit-dialog';
import { HistoryDialog } from './history-dialog';
import type { Room } from './room';
import { TakeAwayDialog } from './take-away-dialog';
import type { Judged } from './use-judged';

/** Which dialog is open; the recorder is opened for one segment, or for the whole class. */
export type Opened =
  | 'fit'
  | 'draft'
  | 'history'
  | 'takeAway'
  | 'film'
  | 'music'
  | { record: string | null };

export interface OpenedDialogProps {
  opened: Opened;
  classId: string;
  plan: Plan;
  judged: Judged;
  room: Room;
  talkingFactor: number;
  assistant: Assistant;
  /** Goes on with another state of the class. */
  accept: (plan: Plan) => void;
  /** Changes the class while a dialog stays open. */
  edit: (change: (plan: Plan) => Plan) => void;
  /** Some words are said by another voice now. */
  onRecorded: (text: string, language: Language) => void;
  onClose: () => void;
}

/** The dialog that is open. */
export function OpenedDialog(props: OpenedDialogProps) {
  const { opened, classId, plan, judged, room, assistant, accept, onClose } = props;
  const { score, book, moves, lengths, met, measure, nameOf } = judged;
  if (typeof opened === 'object') {
    return (
      <RecordDialog
        title={opened.record ? 'This move in your voice' : 'This class in your voice'}
        move={book.move(
          placedSegments(plan).find((p) => p.segment.id === opened.record)?.segment.move ?? '',
        )}
        cues={cuesSaid(score, opened.record)}
        onRecorded={props.onRecorded}
        onClose={onClose}
      />
    );
  }
  if (opened === 'history') {
    const { timeZone } = room;
    const history = { classId, timeZone, nameOf, onRestore: accept, onClose };
    return <HistoryDialog {...history} />;
  }
  if (opened === 'takeAway') {
    const hasMusic = piecesWanted(plan.music).length > 0;
    const { people } = room;
    const taken = { classId, plan, book, nameOf, people, score, hasMusic, onClose };
    return <TakeAwayDialog {...taken} />;
  }
  if (opened === 'film') {
    const { language } = plan;
    const hasMusic = piecesWanted(plan.music).length > 0;
    const { timeZone } = room;
    return <FilmDialog {...{ classId, language, timeZone, hasMusic, onClose }} />;
  }
  if (opened === 'music') return <MusicDialog {...{ plan, edit: props.edit, onClose }} />;
  const speech: KnownSpeech = {
    lengths,
    met: met.map((ids) => [...ids]),
    talkingFactor: props.talkingFactor,
  };
  const thinking = { plan, moves, speech, measure, assistant, nameOf, room, onClose };
  return opened === 'fit' ? (
    <FitDialog {...thinking} totalMs={score.totalMs} onAccept={accept} />
  ) : (
    <DraftDialog {...thinking} book={book} onAccept={accept} />
  );
}

/** What is said in a segment, or in the whole class. */
const cuesSaid = ({ cues, steps }: Score, segmentId: string | null) =>
  cues.filter((cue) => !segmentId || steps[cue.step]?.segmentId === segmentId);
