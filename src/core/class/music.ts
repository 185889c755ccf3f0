import { MOST_IN_PLAYLIST, type MusicId, USUAL_UNDER_DB } from '../music';
import { type ClassMusic, PHASES, type PhaseName, type Plan } from './plan';

/** Edits of what is played under a class. Each returns a new plan. */

const NONE: ClassMusic = { phases: {}, underDb: USUAL_UNDER_DB };

/** What is played in a phase. */
export const playlistOf = (music: ClassMusic | undefined, phase: PhaseName): readonly MusicId[] =>
  music?.phases[phase] ?? [];

/** A plan with other music; without any where nothing is played and nothing chosen. */
function withMusic(plan: Plan, music: ClassMusic): Plan {
  const phases = Object.fromEntries(
    PHASES.flatMap((phase) => {
      const playlist = playlistOf(music, phase);
      return playlist.length > 0 ? [[phase, playlist]] : [];
    }),
  ) as ClassMusic['phases'];
  const { music: _, ...rest } = plan;
  const silent = Object.keys(phases).length === 0 && music.underDb === USUAL_UNDER_DB;
  return silent ? rest : { ...rest, music: { ...music, phases } };
}

/** Whether a playlist has room for a piece more. */
export const hasRoom = (plan: Plan, phase: PhaseName): boolean =>
  playlistOf(plan.music, phase).length < MOST_IN_PLAYLIST;

/** Puts a piece at the end of a phase's playlist, or takes it out of it. A full playlist stays as it is. */
export function togglePiece(plan: Plan, phase: PhaseName, id: MusicId): Plan {
  const music = plan.music ?? NONE;
  const playlist = playlistOf(music, phase);
  const without = playlist.filter((one) => one !== id);
  if (without.length === playlist.length && !hasRoom(plan, phase)) return plan;
  const next = without.length < playlist.length ? without : [...playlist, id];
  return withMusic(plan, { ...music, phases: { ...music.phases, [phase]: next } });
}

/** Plays a piece in every phase, or in none. */
export const togglePieceThroughout = (plan: Plan, id: MusicId): Plan => {
  const missing = PHASES.filter((phase) => !playlistOf(plan.music, phase).includes(id));
  const toggled: readonly PhaseName[] = missing.length > 0 ? missing : PHASES;
  return toggled.reduce<Plan>((next, phase) => togglePiece(next, phase, id), plan);
};

/** How far music is under the voice while somebody speaks. */
export const putUnder = (plan: Plan, underDb: number): Plan =>
  withMusic(plan, { ...(plan.music ?? NONE), underDb });
