import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { haveReady, wordsIn } from '@/core/follow/words';
import { clock, dateOn, dayIn, timeOfDay } from '@/core/formats';
import { readOf } from '@/core/home';
import { homeWordsIn } from '@/core/home/words';
import { filled } from '@/core/language/filled';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { openTo } from '@/server/follow/doors';
import { cautionsOf } from '@/server/people/carried';
import { checkInsOf } from '@/server/people/check-ins';
import { homeClassesOf } from '@/server/people/home';
import { ownerOfHome, practiceOf } from '@/server/people/practice';
import { progressOf } from '@/server/people/programmes';
import { streaksBy } from '@/server/people/streaks';
import { programmeTold, streakTold } from '@/server/register/told';
import { HomeScreen } from '@/ui/home/home-screen';
import { checkInMineAction, dropMineAction, followMineAction, logMineAction } from './actions';
import { languageOf } from './language';

interface Params {
  params: Promise<{ token: string }>;
}

export async function generateMetadata({ params }: Params): Promise<Metadata> {
  const owner = await ownerOfHome(db(), (await params).token);
  if (!owner) return {};
  return { title: homeWordsIn(await languageOf(owner)).title, robots: { index: false } };
}

/** Entries that are shown. */
const SHOWN = 20;

/** The page of one person, behind an address of their own. It says nothing of anybody else. */
export default async function HomePage({ params }: Params) {
  const { token } = await params;
  const owner = await ownerOfHome(db(), token);
  if (!owner) notFound();
  const { participantId, timeZone: zone } = owner;
  const at = now();
  const language = await languageOf(owner);
  const of = { participantId, zone, now: at, language };
  const words = homeWordsIn(language);
  const [practice, streaks, programmes, homeClasses, checkIns, open] = await Promise.all([
    practiceOf(db(), owner, participantId),
    streaksBy(db(), owner, { whose: { participantIds: [participantId] }, zone, now: at }),
    progressOf(db(), owner, { of: { participantId }, zone, now: at }),
    homeClassesOf(db(), owner, participantId),
    checkInsOf(db(), owner, of),
    openTo(db(), owner, participantId, at),
  ]);
  const known = open ? await cautionsOf(db(), owner, participantId) : [];
  const carried = [...new Set(known.map(({ caution }) => caution))];
  const today = dateOn(at, zone);
  const entryOf = ({ at, seconds }: (typeof practice)[number]) => {
    const day = dayIn(language, at, zone);
    return seconds ? filled(words.entry, { day, minutes: Math.round(seconds / 60) }) : day;
  };
  return (
    <HomeScreen
      token={token}
      name={owner.name}
      studioName={owner.studioName}
      now={at}
      time={timeOfDay(at, zone)}
      today={today}
      streaks={[
        ...programmes.map((p) => programmeTold(p, of)),
        ...(streaks.get(participantId) ?? []).map((s) => streakTold(s, of)),
      ].filter((s) => !s.ended)}
      homeClasses={homeClasses.map((h) => {
        const { given } = homeWordsIn(h.language);
        return {
          ...h,
          length: clock(h.totalMs),
          ready: haveReady(wordsIn(h.language), h.kit),
          lines: h.lines.map((line) => {
            const { id, name, dose, mind } = line;
            return { id, name, dose, says: readOf(line, given), mind };
          }),
          sound: h.lines.some(({ does }) => does !== 'asPlanned') ? given.sound : null,
        };
      })}
      language={language}
      words={words}
      acts={wordsIn(language).door.acts}
      care={wordsIn(language).door.care}
      open={
        open && { className: open.className, carried, follow: followMineAction.bind(null, token) }
      }
      checkIn={
        checkIns.due === null
          ? null
          : { week: checkIns.due, keep: checkInMineAction.bind(null, token) }
      }
      practice={practice.slice(0, SHOWN).map((p) => ({
        id: p.id,
        says: entryOf(p),
        mine: !p.byTeacher,
      }))}
      log={logMineAction.bind(null, token)}
      drop={dropMineAction.bind(null, token)}
    />
  );
}
