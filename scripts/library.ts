import { LIBRARY, SHAPES, WORDS } from '@library';
import { faultsOf } from '@library/checks';
import { trackFaults } from '@library/tracks/checks';

/**
 * Checks the built-in library; every fault gets a line that names the move. With --json it prints the
 * moves as JSON instead.
 */
const ids = new Set(SHAPES.map((shape) => shape.id));
const faults = [
  ...LIBRARY.flatMap(faultsOf),
  ...LIBRARY.flatMap(trackFaults),
  ...Object.entries(WORDS).flatMap(([language, words]) =>
    Object.keys(words)
      .filter((id) => !ids.has(id))
      .map((id) => `${id} has words in "${language}" but no shape`),
  ),
  ...(ids.size < SHAPES.length ? ['two moves have the same id'] : []),
];
for (const fault of faults) console.error(fault);
if (process.argv.includes('--json')) console.log(JSON.stringify(LIBRARY));
else console.log(`${LIBRARY.length} moves, ${faults.length} faults`);
process.exitCode = faults.length ? 1 : 0;
