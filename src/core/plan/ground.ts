import { schoolsOf, type Device, type RigDocument } from '../rig/document';
import { checkRig, type RigResult } from '../check/rig';
import type { Assess } from './assess';
import { columnsAt, ownPieces, reachesOver, type Column, type Ground } from './assign/columns';
import { placesOf } from './assign/places';
import { runningTimes } from './battery/runningTime';
import type { Piece } from './pieces';
import type { PlanTools } from './request';
import { runTo, tasksOf, type Task } from './tasks';

/** Everything a plan starts from. */
export function groundOf(
  document: RigDocument,
  pieces: readonly Piece[],
  assess: Assess,
  before: RigResult = checkRig(document),
): Ground {
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
  const full = time?.options.find(({ feed }) => feed === 'P48');
  return full !== undefined && full.hours < time.wanted! + time.reserve;
}

/** Lines that end on a device by themselves. */
const linesTo = ({ lines }: RigDocument, { id }: Device) =>
  lines.filter((line) => 'device' in line.inlet && line.inlet.device === id && !('from' in line.source));

/** Every way worth its while to place every task. */
export function allColumns(ground: Ground, { onProgress }: Pick<PlanTools, 'onProgress'> = {}): Column[] {
  const total = ground.tasks.length;
  return ground.tasks.flatMap((_, task) => {
    onProgress?.({ doing: 'chains', of: ground.mostToGet ? 'what can be got' : 'the kit', done: task, total });
    return ground.places.flatMap((_place, place) => columnsAt(ground, task, place));
  });
}
