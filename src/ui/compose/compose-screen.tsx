'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { hasBegun } from '@/core/checks';
import { hasSegments, type Plan, placedSegments } from '@/core/class';
import { type Area, type Move, strongAreas } from '@/core/move';
import type { Talk } from '@/core/run';
import { segmentSpans, stepAt } from '@/core/score';
import type { DeviceSays } from '@/core/speech';
import { type CopyClass, useCopy } from '../classes/use-copy';
import { MovesProvider } from '../kit/moves';
import { Ribbon } from '../kit/ribbon';
import { toastOfAct } from '../kit/toast-of-act';
import { useInBrowser } from '../kit/use-in-browser';
import { ComposeActionsProvider } from './actions';
import { AimPanel } from './aim-panel';
import { isLong } from './at-first';
import { BalancePanel } from './balance-panel';
import { ChecksPanel } from './checks-panel';
import { ComposeDialogs } from './compose-dialogs';
import { ComposeHeader } from './compose-header';
import { DragAndDrop } from './drag-and-drop';
import type { Opened } from './opened-dialog';
import { RehearseBar } from './rehearse-bar';
import { RunningOrder } from './running-order';
import { SaveLine } from './save-line';
import { SelectionBar } from './selection-bar';
import { Shelf } from './shelf';
import { Totals } from './totals';
import { useAssistant } from './use-assistant';
import { useAutosave } from './use-autosave';
import { useChanged } from './use-changed';
import { useCommands } from './use-commands';
import type { Findings } from './use-findings';
import { useHistory } from './use-history';
import { useJudged } from './use-judged';
import { useLineActions } from './use-line-actions';
import { useLookedAt } from './use-looked-at';
import { useRehearsal } from './use-rehearsal';
import { useRepair } from './use-repair';
import type { Voices } from './use-score';
import { useSelection } from './use-selection';
import { type Surroundings, useSurroundings } from './use-surroundings';

export interface ComposeScreenProps {
  classId: string;
  initial: Plan;
  version: number;
  /** The moves that every studio has. */
  builtIn: readonly Move[];
  /** What is to be known besides the class, as it was when it was opened. */
  around: Surroundings;
  /** What is to be known of the class as it is opened; null where that was not worked out. */
  findings: Findings;
  /** How this teacher talks. */
  talk: Talk;
  /** What is known of how long the class's words are, in ms by utterance key. */
  lengths: ReadonlyMap<string, number>;
  /** In which voice each language is said. */
  voices: Voices;
  /** What voices of this device say, where some were chosen. */
  onDevice: DeviceSays | null;
  lead: () => Promise<void>;
  copy: CopyClass;
  /** The segment that the page opens at, where one was asked for. */
  openAt?: string;
  /** It is to be taken away, as files or as a film. */
  taking?: 'files' | 'film';
}

/** Where the screen is wide enough, shelf and balance stay in sight and scroll by themselves. */
const IN_SIGHT =
  '[contain:layout_style] lg:sticky lg:top-3 lg:self-start lg:max-h-[calc(100dvh-1.5rem)] lg:-mx-1 lg:px-1';
/** On a narrow screen the shelf stands after the running order, and not in its place while the page is still coming. */
const SECOND = 'max-lg:order-2 max-lg:not-has-[~*~*]:hidden';

const STILL_EMPTY = 'This class is still empty. Add a move from the shelf first.';
const NOT_SAVED = 'The class could not be saved yet. Try again in a moment.';
const TAKEN_BY = { files: 'takeAway', film: 'film' } as const;

/** The place where a class is put together. */
export function ComposeScreen(props: ComposeScreenProps) {
  const { initial } = props;
  const inBrowser = useInBrowser();
  const forBrowser = useMemo(() => isLong(initial), [initial]);
  if (forBrowser && !inBrowser) {
    return (
      <main aria-busy className="quiet p-8 text-center">
        A long class is opened …
      </main>
    );
  }
  return <Composing {...props} />;
}

/** One sentence at a time, however often it is tried. */
const refuseEdit = (why: string) => void toast.error(why, { id: 'too-much' });

function Composing(props: ComposeScreenProps) {
  const { classId, initial, version, talk, lead, openAt, taking } = props;
  const copyOf = useCopy(props.copy);
  const { room, library } = useSurroundings(classId, props.around, props.builtIn);
  const editing = useHistory(initial, refuseEdit);
  const { plan, edit, settle } = editing;
  const selection = useSelection(openAt === undefined ? [] : [openAt]);
  const [opened, setOpened] = useState<Opened | null>(
    taking && hasSegments(initial) ? TAKEN_BY[taking] : null,
  );
  const assistant = useAssistant();
  const autosave = useAutosave(classId, editing, version);
  const searchRef = useRef<HTMLInputElement>(null);
  const { lengths, voices } = props;
  const judged = useJudged(
    { plan, library, room, lengths, voices, talk },
    props.findings,
    editing.isTyping,
  );
  const { score, seen, spans, book, nameOf } = judged;
  const changed = useChanged(seen.plan);
  const open = useMemo(() => {
    const id = selection.open;
    if (id === null) return null;
    const span = spans.get(id);
    if (span) return { id, score: seen.score, span };
    // Added a moment ago: it opens with its time, which would else push away what is being reached for.
    return { id, score, span: segmentSpans(score).get(id) };
  }, [selection.open, spans, seen, score]);
  const rehearsal = useRehearsal(score, props.onDevice);
  const record = useCallback((segmentId: string) => setOpened({ record: segmentId }), []);
  const { actions, add, select } = useLineActions(editing, selection, record);
  const { repair, refused } = useRepair(editing, judged.checked);
  const openFit = useCallback(() => setOpened('fit'), []);
  const openDraft = useCallback(() => setOpened('draft'), []);
  /** From the selected segment, or from where the last rehearsal stood. */
  const rehearse = () => rehearsal.begin(spans.get(selection.ids[0] ?? '')?.startMs);
  const commands = useCommands({
    editing,
    selection,
    actions,
    book,
    searchRef,
    fit: openFit,
    rehearse,
  });

  const latest = useRef(rehearsal);
  latest.current = rehearsal;
  const onRibbon = useCallback(
    (segmentId: string, atMs: number) => {
      select([segmentId]);
      const { on, jump } = latest.current;
      if (on) jump(atMs);
    },
    [select],
  );
  const face = useLookedAt({
    plan: seen.plan,
    score,
    moves: judged.moves,
    selected: selection.ids[0],
    rehearsal,
  });
  const selectedAreas = useMemo(() => {
    const areas = placedSegments(plan)
      .filter((p) => selection.ids.includes(p.segment.id))
      .flatMap((p) => {
        const move = book.move(p.segment.move);
        return move ? strongAreas(move) : [];
      });
    return new Set<Area>(areas);
  }, [plan, selection.ids, book]);
  const onLead = async () => {
    if (!hasSegments(plan)) {
      toast.error('This class is still empty. Add a move from the shelf first.');
    } else if (await autosave.flush()) await lead().catch(toastOfAct);
    else {
      toast.error('The class could not be saved yet, so it cannot be led. Try again in a moment.');
    }
  };

  useEffect(() => {
    if (taking && !hasSegments(initial)) toast.error(STILL_EMPTY);
  }, [taking, initial]);
  const onCopy = async () => {
    if (!(await autosave.flush())) return void toast.error(NOT_SAVED);
    try {
      const refused = await copyOf(classId);
      if (refused) toast.error(refused);
    } catch (problem) {
      await toastOfAct(problem);
    }
  };
  const takeAway = async (by: 'takeAway' | 'film') => {
    if (!hasSegments(plan)) {
      toast.error(STILL_EMPTY);
    } else if (await autosave.flush()) setOpened(by);
    else toast.error(NOT_SAVED);
  };

  const empty = !hasSegments(plan);
  const begun = hasBegun(seen.plan);
  const [first = ''] = selection.ids;
  return (
    <ComposeActionsProvider value={actions}>
      <MovesProvider moves={judged.moves}>
        <main
          className={`mx-auto w-full max-w-[100rem] px-4 py-4 sm:px-6 ${rehearsal.on ? 'pb-32' : ''}`}
        >
          <h1 className="sr-only">Compose {plan.name}</h1>
          <ComposeHeader
            classId={classId}
            editing={editing}
            score={score}
            room={room}
            saveLine={<SaveLine autosave={autosave} />}
            onNear={() => assistant.warm()}
            onFit={openFit}
            onDraft={openDraft}
            onHistory={() => setOpened('history')}
            onCopy={() => void onCopy()}
            onTakeAway={() => void takeAway('takeAway')}
            onFilm={() => void takeAway('film')}
            onMusic={() => setOpened('music')}
            onRecord={() => setOpened({ record: null })}
            onRehearse={rehearse}
            onLead={onLead}
          />
          <AimPanel plan={plan} edit={edit} settle={settle} empty={empty} onDraft={openDraft} />
          <Totals
            totals={score.totals}
            speech={score.speech}
            factor={talk.samples.length > 0 ? judged.talkingFactor : undefined}
          />
          <div className="my-4">
            {!empty && (
              <Ribbon
                score={seen.score}
                selected={selection.ids}
                onSelect={onRibbon}
                atMs={rehearsal.on ? rehearsal.atMs : undefined}
              />
            )}
          </div>
          <DragAndDrop editing={editing} book={book} select={selection.set}>
            <div className="grid gap-6 lg:grid-cols-[15rem_minmax(0,1fr)_16.5rem]">
              <div className={`${IN_SIGHT} lg:flex lg:flex-col ${SECOND}`}>
                <Shelf moves={library} onAdd={add} searchRef={searchRef} inClass={judged.inClass} />
              </div>
              <div className="max-lg:order-1">
                {selection.ids.length > 1 && (
                  <SelectionBar
                    count={selection.ids.length}
                    onGroup={commands.group}
                    onShift={(d) => actions.shift(first, d)}
                    onDuplicate={() => actions.duplicate(first)}
                    onCopy={commands.copy}
                    onRemove={commands.remove}
                    onClear={commands.clear}
                  />
                )}
                {empty && (
                  <p className="border-base-300 rounded-box mb-3 border border-dashed p-4">
                    Your class will stand here line by line. Find a move on the shelf and press
                    Enter to add it; it goes to the phase it belongs to.
                  </p>
                )}
                <RunningOrder
                  plan={plan}
                  spans={spans}
                  selected={selection.ids}
                  open={open}
                  changed={changed}
                  playing={rehearsal.on ? (stepAt(score, rehearsal.atMs)?.segmentId ?? null) : null}
                />
              </div>
              <div
                className={`${IN_SIGHT} lg:overflow-y-auto max-lg:order-3`}
                aria-busy={seen.plan !== plan || seen.score !== score || !judged.found.upToDate}
              >
                <BalancePanel
                  score={seen.score}
                  selected={selectedAreas}
                  face={face}
                  whole={seen.plan.aim.kind === 'whole' && begun}
                />
                <ChecksPanel
                  findings={judged.found.findings}
                  begun={begun}
                  slotMs={seen.score.slotMs}
                  selected={selection.ids}
                  onSelect={select}
                  onRepair={repair}
                  refused={refused}
                  onFit={openFit}
                />
              </div>
            </div>
          </DragAndDrop>
        </main>
        {rehearsal.on && <RehearseBar rehearsal={rehearsal} score={score} nameOf={nameOf} />}
        <ComposeDialogs
          opened={opened}
          classId={classId}
          plan={plan}
          judged={judged}
          room={room}
          talkingFactor={judged.talkingFactor}
          assistant={assistant}
          accept={(next) => {
            edit(() => next);
            setOpened(null);
          }}
          edit={edit}
          onRecorded={(text, language) => {
            judged.measureAgain(text, language);
            rehearsal.voiceChanged();
          }}
          onClose={() => setOpened(null)}
        />
      </MovesProvider>
    </ComposeActionsProvider>
  );
}
