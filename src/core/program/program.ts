/** An integer program over yes-or-no choices, as plain data. */

export interface Row {
  /** Choice by index, with its coefficient. */
  of: [choice: number, coefficient: number][];
  least?: number;
  most?: number;
  /** What missing the row by one costs; a row without it must hold. */
  slackCost?: number;
}

export interface Program {
  /** What each choice costs; negative where it is wanted. */
  costs: number[];
  rows: Row[];
}

/**
 * How a solver is asked to stop: after so much work, and how near to the best is near enough. Never after
 * a time, so that the same program has the same answer on every machine.
 */
export interface SearchLimits {
  /** Nodes of the search tree looked at, at most. */
  nodes?: number;
  /** Relative to the cost of the best, from 0 on. */
  gap?: number;
  /** In units of the cost: below 1 where all costs are whole, the best is still proved. */
  absoluteGap?: number;
}

export interface Solved {
  /** `stopped`: the work was used up; the choices are the best found so far, if any were. */
  status: 'optimal' | 'infeasible' | 'stopped';
  /** Values by variable name. */
  values: ReadonlyMap<string, number>;
}

/** Solves a program written in the CPLEX LP format. */
export type Solver = (lp: string, limits?: SearchLimits) => Solved;

const number = (n: number) => String(Math.round(n * 1e6) / 1e6);
const term = (coefficient: number, name: string) =>
  `${coefficient < 0 ? '-' : '+'} ${number(Math.abs(coefficient))} ${name}`;

/** Lines of at most so many terms; the format limits the length of a line. */
const TERMS_A_LINE = 12;
function sum(terms: readonly string[]): string {
  if (terms.length === 0) return '0 x0';
  const lines: string[] = [];
  for (let i = 0; i < terms.length; i += TERMS_A_LINE) {
    lines.push(terms.slice(i, i + TERMS_A_LINE).join(' '));
  }
  return lines.join('\n ');
}

/** Writes a program in the CPLEX LP format. */
export function toLp({ costs, rows }: Program): string {
  const objective = costs.flatMap((cost, i) => (cost ? [term(cost, `x${i}`)] : []));
  const constraints: string[] = [];
  const slacks: string[] = [];
  rows.forEach((row, r) => {
    const terms = row.of.map(([i, coefficient]) => term(coefficient, `x${i}`));
    for (const [bound, sign] of [
      [row.least, '>='],
      [row.most, '<='],
    ] as const) {
      if (bound === undefined) continue;
      const slack = row.slackCost === undefined ? [] : [`s${r}${sign === '>=' ? 'l' : 'm'}`];
      for (const name of slack) {
        slacks.push(name);
        objective.push(term(row.slackCost ?? 0, name));
      }
      const all = [...terms, ...slack.map((name) => term(sign === '>=' ? 1 : -1, name))];
      constraints.push(` r${constraints.length}: ${sum(all)} ${sign} ${number(bound)}`);
    }
  });
  return [
    'Minimize',
    ` cost: ${sum(objective)}`,
    'Subject To',
    ...constraints,
    'Bounds',
    ...slacks.map((name) => ` ${name} >= 0`),
    'Binary',
    ...costs.map((_, i) => ` x${i}`),
    'End',
    '',
  ].join('\n');
}

export interface Answer {
  status: Solved['status'];
  /** Indices of the choices that were taken; empty where there is no answer. */
  taken: number[];
}

/** Solves a program. Slack on rows that may be missed is paid for, not reported. */
export function solve(program: Program, solver: Solver, limits?: SearchLimits): Answer {
  const { status, values } = solver(toLp(program), limits);
  const taken = program.costs.flatMap((_, i) => ((values.get(`x${i}`) ?? 0) > 0.5 ? [i] : []));
  return { status, taken: status === 'infeasible' ? [] : taken };
}
