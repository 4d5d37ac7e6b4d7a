import { checkRig, type RigResult } from '../check/rig';
import type { KitItem } from '../kit/item';
import { schoolsOf, type Device, type RigDocument } from '../rig/document';
import { assessor, type Assess } from './assess';
import { columnsAt, type Column, type Ground } from './assign/columns';
import { decoded, type Arranged } from './assign/decode';
import { greedySolution, nobody } from './assign/greedy';
import { modelOf, type Relaxation } from './assign/model';
import { inletsToGet, placesOf } from './assign/places';
import { runningTimes } from './battery/runningTime';
import type { Piece } from './pieces';
import type { Outcome, Solver } from './program/program';
import { proposalOf, type Proposal } from './proposal';
import { market, stockOf } from './stock';
import { tasksOf } from './tasks';

export interface PlanRequest {
  document: RigDocument;
  kit: readonly KitItem[];
  /** Time for finding the best patch once every chain is judged, in seconds. */
  seconds: number;
  /** Lines that nothing in the kit can serve are left out rather than served with something to get. */
  onlyKit?: boolean;
}

export interface PlanTools {
  solver: Solver;
  /** Seconds since any fixed moment. */
  clock: () => number;
  onProgress?: (progress: PlanProgress) => void;
}

/** What is being done; the best proposal so far where there is one. */
export type PlanProgress =
  | { doing: 'chains'; of: 'the kit' | 'what can be got'; done: number; total: number }
  | { doing: 'patch'; goal: string; proposal?: Proposal };

export interface Plan {
  proposal: Proposal;
  /** Where something is to be got or left out: what could be given up instead, and what that would leave out still. */
  instead?: { relaxations: Relaxation[]; leftOut: number };
}

/** How often a plan is mended that the whole check judges otherwise than its lines one by one. */
const MENDS = 8;
/** Seconds between two proposals that are shown while the search goes on. */
const SHOW = 0.7;

/** Who goes where, over what, with which switches on: the best patch there is, or the best found in the time given. */
export function planRig(request: PlanRequest, tools: PlanTools): Plan {
  const { document, kit, onlyKit } = request;
  const assess = assessor(schoolsOf(document));
  const before = checkRig(document);
  const own = groundOf(document, [...stockOf(kit, document).values()], assess);
  const columns = allColumns(own, tools);
  const first = solved(own, columns, before, request, tools);
  if (first.proposal.leftOut.length === 0) return { proposal: first.proposal };
  const instead = insteadOf(own, columns, first.proposal, request, tools);
  if (onlyKit) return { proposal: first.proposal, ...(instead && { instead }) };
  const missing = new Set(first.proposal.leftOut.map(({ line }) => line));
  const proposal = withThings(own, columns, missing, first.proposal, before, request, tools);
  return { proposal, ...(instead && { instead }) };
}

/**
 * The plan with the fewest things to get. First they are sought for the lines that have no place; if that takes more than
 * one thing for each line that nothing in the kit can serve, boxes for other lines are tried too, and two things a line.
 */
function withThings(
  own: Ground,
  columns: readonly Column[],
  missing: ReadonlySet<string>,
  without: Proposal,
  before: RigResult,
  request: PlanRequest,
  tools: PlanTools,
): Proposal {
  const hopeless = own.tasks.filter(
    ({ line }, task) => missing.has(line.id) && !columns.some((column) => column.task === task),
  ).length;
  let best = without;
  for (const { most, wide } of [
    { most: 1, wide: false },
    { most: 1, wide: true },
    { most: 2, wide: true },
  ]) {
    const ground = withMarket(own, most, missing, wide);
    const { proposal } = solved(ground, marketColumns(own, columns, ground, tools), before, request, tools);
    const got = thingsOf(proposal);
    if (proposal.leftOut.length < best.leftOut.length || best === without) best = proposal;
    else if (proposal.leftOut.length === best.leftOut.length && got < thingsOf(best)) best = proposal;
    if (best.leftOut.length === 0 && (wide || got <= hopeless)) break;
  }
  return best;
}

const thingsOf = ({ toGet }: Proposal): number => toGet.reduce((sum, { count }) => sum + count, 0);

/** Columns with things to get; where nothing can be got, those that are known already. */
function marketColumns(own: Ground, known: readonly Column[], ground: Ground, tools: PlanTools): Column[] {
  if (ground.wide) return allColumns(ground, tools);
  const total = ground.tasks.length;
  return ground.tasks.flatMap(({ line }, task) => {
    tools.onProgress?.({ doing: 'chains', of: 'what can be got', done: task, total });
    return ground.places.flatMap((_place, place) =>
      ground.missing.has(line.id) || place >= own.places.length
        ? columnsAt(ground, task, place)
        : known.filter((column) => column.task === task && column.place === place),
    );
  });
}

export function groundOf(document: RigDocument, pieces: readonly Piece[], assess: Assess): Ground {
  const schools = schoolsOf(document);
  return {
    document,
    schools,
    tasks: tasksOf(document),
    places: placesOf(document),
    pieces,
    mostToGet: 0,
    missing: new Set(),
    wide: false,
    assess,
    voltage: new Map(
      document.devices
        .filter(({ batteries }) => batteries)
        .map((device) => [device.id, wantsLowest(document, device, schools.batteryVoltage) ? 'lowest' : '48 V']),
    ),
  };
}

/** Whether the school asks for the lowest voltage on a device's cells: always, or since they would not last otherwise. */
function wantsLowest(document: RigDocument, device: Device, school: string): boolean {
  if (school !== '48-unless-stated') return school === 'lowest-stated';
  if (!device.batteries?.hours) return false;
  const time = runningTimes({ ...document, devices: [device], lines: linesTo(document, device) })[0];
  const full = time?.options.find(({ feed }) => feed === 'P48');
  return full !== undefined && full.hours < time.wanted! + time.reserve;
}

/** Lines that end on a device by themselves. */
const linesTo = ({ lines }: RigDocument, { id }: Device) =>
  lines.filter((line) => 'device' in line.inlet && line.inlet.device === id && !('from' in line.source));

export function allColumns(ground: Ground, { onProgress }: Pick<PlanTools, 'onProgress'> = {}): Column[] {
  const total = ground.tasks.length;
  return ground.tasks.flatMap((_, task) => {
    onProgress?.({ doing: 'chains', of: ground.mostToGet ? 'what can be got' : 'the kit', done: task, total });
    return ground.places.flatMap((_place, place) => columnsAt(ground, task, place));
  });
}

/** The ground with what can be got: so many pieces of the catalogue on one line, and further inlets on switches of their own. */
function withMarket(ground: Ground, mostToGet: number, missing: ReadonlySet<string>, wide: boolean): Ground {
  const devices = [...ground.document.devices, ...inletsToGet()];
  const document = { ...ground.document, devices };
  return {
    ...ground,
    document,
    places: placesOf(document),
    pieces: [...ground.pieces, ...market(ground.tasks.length)],
    mostToGet,
    missing,
    wide,
  };
}

/** Solves a program and holds the result against the whole check; what that judges otherwise is ruled out, and it is solved again. */
function solved(
  ground: Ground,
  columns: readonly Column[],
  before: RigResult,
  { seconds }: PlanRequest,
  { solver, clock, onProgress }: PlanTools,
): { proposal: Proposal } {
  const began = clock();
  const unfit = new Set<string>();
  let left = [...columns];
  for (let mend = 0; ; mend++) {
    const model = modelOf(ground, left, { unfit });
    let shown = -Infinity;
    const outcome = solver(model.program, model.stages, {
      seconds: Math.max(0.1, seconds - (clock() - began)),
      clock,
      start: greedySolution(ground, model),
      onProgress: ({ goal, outcome: so }) => {
        const due = so && clock() - shown > SHOW && so.reached[0].value < ground.tasks.length;
        if (due) shown = clock();
        onProgress?.({
          doing: 'patch',
          goal,
          ...(due && { proposal: proved(ground, left, decoded(ground, model, so.solution), so, before) }),
        });
      },
    })!;
    const arranged = decoded(ground, model, outcome.solution);
    const after = checkRig(arranged.document);
    const worse = worseThanJudged(arranged, after);
    if (worse.length === 0 || mend === MENDS) return { proposal: proved(ground, left, arranged, outcome, before) };
    for (const placed of worse) {
      const cables = placed.pieces.filter(({ slot }) => slot);
      if (cables.length) for (const { slot, piece } of cables) unfit.add(`${slot} ${piece.key}`);
      else left = left.filter((column) => column !== placed.column);
    }
  }
}

const GOOD = new Set(['Clear', 'Watch']);

/** Lines that the whole check finds worse than they were judged by themselves. */
function worseThanJudged({ placed }: Arranged, { lines }: RigResult): Arranged['placed'] {
  const results = new Map(lines.map(({ id, verdict }) => [id, verdict]));
  return placed.filter(({ line, column }) => {
    const verdict = results.get(line.id);
    return !verdict || !GOOD.has(verdict) || (verdict === 'Watch' && column.judged.verdict === 'Clear');
  });
}

/** A proposal in which every line is Clear or Watch by the whole check: what is not is left out. */
function proved(
  ground: Ground,
  columns: readonly Column[],
  arranged: Arranged,
  outcome: Outcome,
  before: RigResult,
): Proposal {
  const after = checkRig(arranged.document);
  const bad = new Set(
    arranged.document.lines
      .map(({ id }) => id)
      .filter((id) => !GOOD.has(after.lines.find((line) => line.id === id)?.verdict ?? '')),
  );
  const fails = ({ task }: Arranged['placed'][number]) => [task.line, ...task.followers].some(({ id }) => bad.has(id));
  if (bad.size === 0) return proposalOf(ground, columns, arranged, outcome, before, after);
  const gone = arranged.placed.filter(fails);
  const ids = new Set(gone.flatMap(({ task }) => [task.line.id, ...task.followers.map(({ id }) => id)]));
  const rest: Arranged = {
    ...arranged,
    placed: arranged.placed.filter((placed) => !fails(placed)),
    out: [...arranged.out, ...gone.map(({ task }) => task)],
    document: { ...arranged.document, lines: arranged.document.lines.filter(({ id }) => !ids.has(id)) },
  };
  return proposalOf(ground, columns, rest, { ...outcome, optimal: false }, before);
}

/** What could be given up so that fewer lines are left out. */
function insteadOf(
  ground: Ground,
  columns: readonly Column[],
  { leftOut }: Proposal,
  { seconds }: PlanRequest,
  { solver, clock }: PlanTools,
): Plan['instead'] {
  const model = modelOf(ground, columns, { relax: true });
  if (model.givenUp.length === 0) return undefined;
  const outcome = solver(model.program, model.stages.slice(0, 1), {
    seconds: seconds / 4,
    clock,
    start: nobody(model),
  });
  if (!outcome) return undefined;
  const relaxations = model.givenUp.filter(({ variable }) => outcome.solution[variable] > 0.5).map(({ what }) => what);
  const still = outcome.reached[0].value;
  return relaxations.length && still < leftOut.length ? { relaxations, leftOut: still } : undefined;
}
