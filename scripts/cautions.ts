import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { LIBRARY } from '@library';
import { versionForAll } from '@/core/draft';
import {
  AREA_NAMES,
  type Area,
  CAUTION_NAMES,
  CAUTIONS,
  type Caution,
  type CautionEffect,
  cautionsOf,
  inVariant,
  type Move,
  moveText,
  RELEASE_NAMES,
  releaseAsMove,
  touchedAreas,
  VARIANTS,
} from '@/core/move';

/** The page of all cautions by move, version, release and draft: `npm run cautions` writes it anew. */

const SHORT: Record<Caution, string> = {
  neck: 'neck',
  jaw: 'jaw',
  procedure: 'procedure',
  eyes: 'eyes',
  skin: 'skin',
  glands: 'glands',
  bleeding: 'bleeding',
  bloodPressure: 'blood pressure',
  pregnancy: 'pregnancy',
  palsy: 'palsy',
  allergy: 'allergy',
};
const FOLLOWS: Record<CautionEffect, string> = {
  leaveOut: 'leave out',
  easier: 'easier version',
  askFirst: 'ask first',
  feather: 'feather-light',
  checkOil: 'check the oil',
};

const places = (areas: readonly Area[]): string =>
  areas.length ? areas.map((a) => AREA_NAMES[a]).join(', ') : 'nothing';

/** What has something against a move as it is done, one sentence each, those alike together. */
function against(move: Move): string {
  const groups = new Map<string, string[]>();
  for (const { caution, effect, because } of cautionsOf(move)) {
    const key = `${FOLLOWS[effect]}: ${because}`;
    groups.set(key, [...(groups.get(key) ?? []), SHORT[caution]]);
  }
  const all = [...groups].map(([what, who]) => `**${who.join(', ')}** → ${what}.`);
  return all.length ? all.join('<br>') : 'nothing';
}

/** What a draft does with a move for somebody who carries one caution everywhere. */
function drafted(move: Move): string {
  const outcomes = new Map<string, Caution[]>();
  for (const caution of CAUTIONS) {
    const version = versionForAll(move, [{ cautions: [{ caution }] }]);
    const outcome =
      'against' in version
        ? 'leaves it out'
        : version.toConfirm
          ? `shows the therapist ${version.variant ? 'the easier version' : 'it'}`
          : version.variant
            ? 'takes the easier version'
            : 'takes it';
    outcomes.set(outcome, [...(outcomes.get(outcome) ?? []), caution]);
  }
  outcomes.delete('takes it');
  const all = [...outcomes].map(([what, who]) => `${what}: ${who.map((c) => SHORT[c]).join(', ')}`);
  return all.length ? all.join('; ') : 'takes it for everybody';
}

const row = (...cells: string[]): string => `| ${cells.join(' | ')} |`;

function rowsOf(move: Move): string[] {
  const { name } = moveText(move);
  const versions = [undefined, ...VARIANTS].filter((v) => v === undefined || move.variants[v]);
  const done = versions.map((v) => {
    const as = inVariant(move, v);
    const first = v === undefined;
    return row(
      first ? `**${name}** \`${move.id}\`` : '',
      v ?? 'as usual',
      places(touchedAreas(as)),
      against(as),
      first ? drafted(move) : '',
    );
  });
  const release = move.releaseSeconds > 0 ? releaseAsMove(move, move.release) : null;
  if (!release) return done;
  return [
    ...done,
    row(
      '',
      `let go: ${RELEASE_NAMES[move.release]}`,
      places(touchedAreas(release)),
      `${against(release)}`,
      'two slow breaths instead, where a caution speaks against it',
    ),
  ];
}

export function cautionsPage(): string {
  const legend = CAUTIONS.map((c) => row(SHORT[c], CAUTION_NAMES[c]));
  return `# Cautions, move by move

Made by \`npm run cautions\` from the library and the rules in \`src/core/move/cautions.ts\`; a test fails
where the two differ. It is gentle movement and self-massage, not medical care: nothing here is a
diagnosis, licensed care and local rules come first, and pain, dizziness, numbness or a click in the jaw
mean stop. The rules are common practice among careful teachers.

Each line says what hands touch (it follows from hands, strokes and points), which cautions speak against
it, what follows, and why. A caution of one place (a procedure, the skin) counts where hands touch that
place; the table shows it as if it were everywhere. "Easier version" means that the easier version no
longer has what the caution is about. The last column is what a draft does for somebody who carries that
one caution.

| caution | what somebody carries |
| ------- | --------------------- |
${legend.join('\n')}

| move | done as | hands touch | against it, and why | a draft |
| ---- | ------- | ----------- | ------------------- | ------- |
${LIBRARY.flatMap(rowsOf).join('\n')}
`;
}

export const CAUTIONS_FILE = path.join(import.meta.dirname, '..', 'docs', 'cautions.md');

if (process.argv[1]?.endsWith('cautions.ts')) writeFileSync(CAUTIONS_FILE, cautionsPage());
