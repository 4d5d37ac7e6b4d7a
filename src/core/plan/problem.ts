import { schoolsOf, type Device, type RigDocument } from '../rig/document';
import { checkRig, type RigResult } from '../rigcheck/rig';
import { once } from '../units/once';
import type { Assess } from './assess';
import { columnsAt, isHome, isUnchanged, type Column, type Problem } from './assign/columns';
import { ownPieces, reachesOver } from './asItIs';
import { placesOf } from './places';
import { runningTimes } from './battery/runningTime';
import type { Piece } from './pieces';
import type { PlanTools } from './request';
import { runTo, tasksOf, type Task } from './tasks';
import { USUAL } from '../standards/feeds';

/** Everything a plan starts from. */
export function problemOf(
  document: RigDocument,
  pieces: readonly Piece[],
  assess: Assess,
  before: RigResult = checkRig(document),
): Problem {
  const schools = schoolsOf(document);
  const tasks = tasksOf(document);
  return {
    document,
    schools,
    tasks,
    clear: clearNow(document, tasks, pieces, before),
    places: placesOf(document),
    pieces,
    mostToGet: 0,
    missing: new Set(),
    wide: false,
    assess,
    judged: new Map(),
    candidates: new Map(),
    voltage: new Map(
      document.devices
        .filter(({ batteries }) => batteries)
        .map((device) => [device.id, wantsLowest(document, device, schools.batteryVoltage) ? 'lowest' : '48 V']),
    ),
  };
}

/** Lines that are Clear, each with all that hang on its links, and that nothing is missing from. */
function clearNow(
  document: RigDocument,
  tasks: readonly Task[],
  pieces: readonly Piece[],
  { lines }: RigResult,
): Set<string> {
  const verdicts = new Map(lines.map(({ id, verdict }) => [id, verdict]));
  return new Set(
    tasks.flatMap((task) => {
      const { line, followers, now } = task;
      const fine =
        now !== undefined &&
        [line, ...followers].every(({ id }) => verdicts.get(id) === 'Clear') &&
        ownPieces(task, pieces).every((piece) => piece !== undefined) &&
        reachesOver(task, runTo(document, task, now.device));
      return fine ? [line.id] : [];
    }),
  );
}

/** Whether the school asks for the lowest voltage on a device's cells: always, or since they would not last otherwise. */
function wantsLowest(document: RigDocument, device: Device, school: string): boolean {
  if (school !== '48-unless-stated') return school === 'lowest-stated';
  if (!device.batteries?.hours) return false;
  const time = runningTimes({ ...document, devices: [device], lines: linesTo(document, device) })[0];
  const full = time?.options.find(({ feed }) => feed === USUAL);
  return full !== undefined && full.hours < time.wanted! + time.reserve;
}

/** Lines that end on a device by themselves. */
const linesTo = ({ lines }: RigDocument, { id }: Device) =>
  lines.filter((line) => 'device' in line.inlet && line.inlet.device === id && !('from' in line.source));

/** Every way worth its while to place every task, found when it is asked for. */
export interface Choices {
  /** With what is Clear as it is now and where it is. */
  still: () => readonly Column[];
  all: () => readonly Column[];
  /** Of one task at one place, by their numbers. */
  at: (task: number, place: number) => readonly Column[];
}

/** @param find how the columns of a task at a place are found */
export function choicesOf(
  problem: Problem,
  { onProgress }: Pick<PlanTools, 'onProgress'> = {},
  find: Choices['at'] = (task, place) => columnsAt(problem, task, place),
): Choices {
  const { tasks, places } = problem;
  const known = new Map<string, readonly Column[]>();
  const at = (task: number, place: number): readonly Column[] => {
    const key = `${task} ${place}`;
    const columns = known.get(key) ?? find(task, place);
    known.set(key, columns);
    return columns;
  };
  const everywhere = (task: number) => places.flatMap((_place, place) => at(task, place));
  const asItIs = (task: number): readonly Column[] => {
    if (!problem.clear.has(tasks[task].line.id)) return [];
    return places.flatMap((place, n) => (isHome(tasks[task], place) ? at(task, n).filter(isUnchanged) : []));
  };
  const ofEach = (columns: (task: number) => readonly Column[]) => (): readonly Column[] =>
    tasks.flatMap((_task, task) => {
      onProgress?.({
        doing: 'chains',
        of: problem.mostToGet ? 'what can be got' : 'the kit',
        done: task,
        total: tasks.length,
      });
      return columns(task);
    });
  const ownOrAll = (task: number) => {
    const own = asItIs(task);
    return own.length ? own : everywhere(task);
  };
  return { at, still: once(ofEach(ownOrAll)), all: once(ofEach(everywhere)) };
}

/** Every way worth its while to place every task. */
export const allColumns = (problem: Problem): readonly Column[] => choicesOf(problem).all();
