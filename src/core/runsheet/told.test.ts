import { round, toldAsKept, type Case } from '../../../tests/kept';
import { demoRig } from '../../../tests/planning';
import type { MonitorGroup } from '../rig/arrangement';
import type { RigDocument } from '../rig/document';
import type { Schools } from '../schools';
import type { FeedName } from '../standards/feeds';
import { once } from '../units/once';
import { aimFor, feedsOf } from './aims';
import { dangers } from './dangers';
import { rulesOf } from './actions';
import { sheetRig } from './fromRig';
import { fedBy, happenings } from './happenings';
import { checkable, checksOf } from './lineCheck';
import { ReportRefused, type Found, type Report, type SheetKind } from './report';
import { monitorsOf, type SheetGroup, type SheetLine, type SheetRig, type Wait } from './rig';
import { differences, takenOver } from './room';
import { afterSteps, trips } from './sequence';
import { newSession, preview, reported, type Session } from './session';
import { packed, unknown, type SheetState } from './state';
import { standingAt, stationsOf } from './stations';
import type { Step } from './step';
import { continued } from './takeover';
import { crewTakes, takesAlone } from './timing';
import { changeOverWays } from './ways';
import { backMeans, monitorsMoved, stepWords } from './wording';

/** Some lines of a demo rig, with the devices that they end on, and what a school or a document says otherwise. */
interface Cut {
  rig: 'lock-nine' | 'lock-nine-mended';
  lines: string[];
  schools?: Partial<Schools>;
  monitors?: MonitorGroup[];
}

const TRIO = ['pair-a-left', 'ribbon-left', 'long-ribbon', 'announcer', 'valve'];
const BAG = ['large-condenser', 'hydrophone', 'guide', 'keeper-body-worn'];
const CUTS: Record<string, Cut> = {
  'trio and announcer': { rig: 'lock-nine', lines: TRIO },
  'trio and announcer, mended': { rig: 'lock-nine-mended', lines: TRIO },
  'XLR may be plugged live, sound judged after a minute': {
    rig: 'lock-nine',
    lines: ['pair-a-left', 'announcer', 'active-ribbon'],
    schools: { connectLive: 'sound-xlr', afterFeedOn: 'minute', afterFeedOff: 'computed' },
  },
  'piano and bass': { rig: 'lock-nine', lines: ['piano-left', 'piano-right', 'double-bass'] },
  'singer and stream': { rig: 'lock-nine', lines: ['singer', 'singer-stream', 't12-shotgun'] },
  'singer and stream, mended': { rig: 'lock-nine-mended', lines: ['singer', 'singer-stream', 't12-shotgun', 'valve'] },
  'recorder on cells': { rig: 'lock-nine', lines: BAG },
  'recorder on cells, mended': {
    rig: 'lock-nine-mended',
    lines: [...BAG, 'short-shotgun', 'keeper-self-powered'],
    monitors: [
      { id: 'hall', name: 'Hall', devices: ['desk'] },
      { id: 'ears', name: 'Headphones of the recorder', devices: ['bag'] },
    ],
  },
  'camera, mixer, laptop': { rig: 'lock-nine', lines: ['guide-body-worn', 'laptop', 'camera', 'wireless'] },
};

function documentOf({ rig, lines, schools, monitors }: Cut): RigDocument {
  const document = demoRig(rig);
  const kept = document.lines.filter(({ id }) => lines.includes(id));
  const used = new Set(kept.flatMap(({ inlet }) => ('device' in inlet ? [inlet.device] : [])));
  return {
    ...document,
    devices: document.devices.filter(({ id }) => used.has(id) || monitors?.some((each) => each.devices.includes(id))),
    lines: kept,
    ...(schools && { schools: { ...document.schools, ...schools } as RigDocument['schools'] }),
    ...(monitors && { monitors }),
  };
}

const json = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) => (typeof each === 'number' ? Number(round(each)) : each));
const waitTold = ({ seconds, computed, school, counts }: Wait): string =>
  `${round(seconds)} s (computed ${round(computed)}, school ${round(school)}, ${counts})`;

const lineTold = ({ id, ...known }: SheetLine): string => `line ${id}: ${json(known)}`;
const groupTold = ({ key, decay, settle, charge, ...known }: SheetGroup): string[] => [
  `switch ${key}: ${json(known)}`,
  `  off ${waitTold(decay)}, on ${waitTold(settle)}`,
  `  left: ${charge.map(({ at, volts }) => `${round(volts)} V at ${round(at)} s`).join(', ')}`,
];
const rigTold = (rig: SheetRig): string[] => [
  ...rig.lines.map(lineTold),
  ...rig.groups.flatMap(groupTold),
  ...rig.devices.map(json),
  ...monitorsOf(rig).map(json),
  ...(rig.judging === undefined ? [] : [`judged after ${rig.judging} s`]),
];

function stepTold(rig: SheetRig, state: SheetState | undefined, step: Step): string[] {
  const { title, detail, look, caution } = stepWords(rig, state, step);
  return [
    [`${step.place ?? 'anywhere'}: ${title}`, detail, look && `look: ${look}`, caution && `caution: ${caution}`]
      .filter(Boolean)
      .join(' | '),
    ...(step.reasons ?? []).map(
      ({ name, until, wait, left }) => `  ${name} ${until}, ${round(left)} s left of ${waitTold(wait)}`,
    ),
  ];
}

/** A sheet, its refusals, who is disturbed, and how long it takes. */
function sheetTold(rig: SheetRig, state: SheetState, aim: ReturnType<typeof aimFor>): string[] {
  const { steps, refused, disturbed, fewest } = preview(rig, state, aim);
  const { down, stay } = monitorsMoved(rig, steps);
  const states = afterSteps(rig, state, steps);
  return [
    ...steps.flatMap((step, n) => stepTold(rig, states[n], step)),
    ...refused.map((each) => `refused: ${json(each)}`),
    `disturbed: ${disturbed.join()}; ${trips(steps)} walks${fewest ? ', fewest' : ''}; down: ${down.join()}, stay: ${stay.join()}`,
    `alone ${round(takesAlone(steps, trips(steps)))} s, two ${json(crewTakes(rig, { state, steps }, 2))}`,
  ];
}

/** A state after everything on a sheet has been done. */
function followed(rig: SheetRig, from: Session): Session {
  let session = from;
  for (let now = session.state.now; session.steps.length; now = Math.max(now, session.until ?? now) + 1)
    session = reported(rig, session, { report: 'done' }, Math.max(now, session.until ?? now) + 0.01);
  return session;
}

/** As somebody at the desk leaves a rig: everything plugged and open, its switches as on paper. */
function standing(rig: SheetRig, feeds: Record<string, FeedName>): Session {
  const lines = rig.lines.map(({ id }) => id);
  const aim = aimFor('set-up', rig, packed(rig), feeds, lines);
  return followed(rig, reported(rig, newSession(packed(rig)), { report: 'begin', aim }, 0));
}

/** Where a sheet stands, as its page would tell it. */
function sessionTold(rig: SheetRig, session: Session): string[] {
  const { state, steps, until, refused, disturbed, leftOut = [], checked } = session;
  return [
    `${steps.length} steps${until === undefined ? '' : `, wait until ${round(until - state.now)} s`}; refused ${refused.length}; disturbed ${disturbed.join()}`,
    ...stationsOf(session).map((place) => {
      const { step, ready, wait, behind } = standingAt(rig, session, place, state.now)!;
      return `  at ${place}: ${stepWords(rig, state, step).title}, ${ready ? 'ready' : wait ? `wait ${round(wait.seconds)} s` : `behind ${behind && stepWords(rig, state, behind).title}`}`;
    }),
    ...(steps[0]
      ? rulesOf(steps[0].action)
          .likely(rig, state, steps[0].action, steps[0].reasons)
          .map(({ text, what }) => `  or: ${text} ${json(what)}`)
      : []),
    ...leftOut.map((each) => `  left out: ${stepWords(rig, state, each).title} (${each.why})`),
    ...dangers(rig, state).map((danger) => `  danger: ${danger}`),
    `  fed: ${json(fedBy(rig, state))}; can be heard: ${checkable(rig, state)
      .map(({ id }) => id)
      .join()}; heard: ${json(checked ?? {})}`,
  ];
}

/** What is found on the way, one after the other: every sort of thing, once as known and once as not. */
const finds = (rig: SheetRig): Found[] => [
  ...rig.groups.flatMap(({ key, offers }): Found[] => [
    { feed: key, is: offers.at(-1)! },
    { feed: key, is: 'unknown' },
    { feed: key, is: 'off' },
  ]),
  ...rig.lines.flatMap(({ id, supply }): Found[] => [
    { line: id, end: 'stage', is: true },
    { line: id, end: 'desk', is: false },
    { muted: id, is: false },
    ...(supply ? [{ supply: id, is: true } as const] : []),
  ]),
  ...rig.devices.flatMap(({ id }): Found[] => [
    { mains: id, is: false },
    { mains: id, is: true },
    { mains: id, is: 'unknown' },
  ]),
  ...monitorsOf(rig).flatMap(({ id }): Found[] => [
    { monitors: id, is: 'open' },
    { monitors: id, is: 'unknown' },
  ]),
];

/** What becomes of a sheet under some reports; a report that is refused changes nothing and says why. */
function reportsTold(rig: SheetRig, from: Session, reports: (session: Session) => Report[]): string[] {
  let session = from;
  let before: string[] = [];
  const told: string[] = [];
  for (const [n] of reports(session).entries()) {
    const report = reports(session)[n];
    const at = Math.max(session.state.now, session.until ?? 0) + 1;
    told.push(`${json({ ...report, aim: undefined })}`);
    try {
      const next = reported(rig, session, report, at);
      told.push(
        ...happenings(rig, session, report).map(({ kind, text, lines }) => `  log ${kind}: ${text} [${lines.join()}]`),
      );
      session = next;
      // What stays as it was is not said again.
      const now = sessionTold(rig, session);
      told.push(...now.filter((each) => !before.includes(each)));
      before = now;
    } catch (error) {
      if (!(error instanceof ReportRefused)) throw error;
      told.push(`  refused: ${error.message}`);
    }
  }
  return told;
}

const KINDS: SheetKind[] = ['set-up', 'strike'];

const cases = Object.entries(CUTS).flatMap(([name, cut]): Case[] => {
  const document = once(() => documentOf(cut));
  const rig = once(() => sheetRig(document()));
  const feeds = once(() => feedsOf(document()));
  const stood = once(() => standing(rig(), feeds()));
  const all = () => rig().lines.map(({ id }) => id);
  const begun = (kind: SheetKind, state: SheetState, lines = all()): Session =>
    reported(rig(), newSession(state), { report: 'begin', aim: aimFor(kind, rig(), state, feeds(), lines) }, state.now);
  const states: Record<string, () => SheetState> = {
    packed: () => packed(rig()),
    'nobody knows': () => unknown(rig()),
    standing: () => stood().state,
  };
  return [
    { id: `${name}: what a sheet knows`, told: () => rigTold(rig()) },
    ...Object.entries(states).flatMap(([how, state]) =>
      KINDS.map((kind): Case => ({
        id: `${name}: ${kind}, ${how}`,
        told: () => sheetTold(rig(), state(), aimFor(kind, rig(), state(), feeds(), all())),
      })),
    ),
    ...cut.lines.map((line): Case => ({
      id: `${name}: ${line} is changed over`,
      told: () => [
        ...changeOverWays(document(), rig(), stood().state, line).map(json),
        ...sheetTold(rig(), stood().state, aimFor('change-over', rig(), stood().state, feeds(), [line])),
      ],
    })),
    {
      id: `${name}: one is exchanged at its source`,
      told: () =>
        sheetTold(rig(), stood().state, aimFor('change-over', rig(), stood().state, feeds(), [cut.lines[0]], 'stage')),
    },
    {
      id: `${name}: done, not possible, tried again, moved, back`,
      told: () =>
        reportsTold(rig(), begun('set-up', packed(rig())), ({ done, steps }) => [
          { report: 'done' },
          { report: 'done', count: 2 },
          { report: 'move', from: 0, to: 1 },
          { report: 'move', from: steps.length - 1, to: 0 },
          { report: 'not possible', why: 'out of reach' },
          { report: 'done' },
          { report: 'not possible' },
          { report: 'retry', left: 0 },
          { report: 'done' },
          { report: 'back', to: Math.max(0, done.length - 2) },
          { report: 'done', count: 40 },
          { report: 'end' },
        ]),
    },
    {
      id: `${name}: otherwise, in the middle of a set-up`,
      told: () => {
        const half = begun('set-up', packed(rig()));
        const reports: Report[] = finds(rig()).map((what) => ({ report: 'found', what }));
        return reportsTold(rig(), half, () => reports);
      },
    },
    {
      id: `${name}: otherwise, while everything stands`,
      told: () => reportsTold(rig(), stood(), () => finds(rig()).map((what) => ({ report: 'found', what }))),
    },
    {
      id: `${name}: every other step cannot be done while it is struck`,
      told: () => {
        const session = begun('strike', stood().state);
        // Every other one: what is quiet first can be done.
        const each = Array.from({ length: 16 }, (_, n): Report =>
          n % 2 ? { report: 'not possible', why: 'stuck' } : { report: 'done' },
        );
        return [...reportsTold(rig(), session, () => each), ...backMeans(rig(), session.steps)];
      },
    },
    {
      id: `${name}: listened to`,
      told: () => {
        const [first] = checkable(rig(), stood().state);
        if (!first) return ['nothing to hear'];
        return reportsTold(rig(), stood(), () => [
          { report: 'checked', line: first.id, bad: [] },
          { report: 'checked', line: first.id, bad: checksOf(rig(), first).slice(0, 2), note: 'hums' },
          { report: 'found', what: { line: first.id, end: 'desk', is: false } },
          { report: 'checked', line: first.id, bad: [] },
        ]);
      },
    },
    {
      id: `${name}: on paper otherwise than in the room`,
      told: () => {
        const { lines } = document();
        const hosts = lines.map(({ source, inlet }) => json([source, inlet]));
        const alone = lines.filter(
          ({ id, source }) => !('from' in source) && !hosts.some((each) => each.includes(`"${id}"`)),
        );
        const paper = sheetRig({
          ...document(),
          lines: lines.flatMap((line) => {
            if (line === alone[0]) return [];
            return [line === alone[1] ? { ...line, name: `${line.name}, anew`, links: [] } : line];
          }),
        });
        const over = takenOver(paper, rig(), stood().state);
        const on = continued(paper, rig(), begun('strike', stood().state), new Set());
        return [
          ...differences(paper, rig(), stood().state).map(json),
          ...over.rig.lines.map(lineTold),
          ...sessionTold(on.rig, on.session),
        ];
      },
    },
  ];
});

// Run sheets of small rigs, word for word and figure for figure, whatever is reported.
toldAsKept('tests/kept/sheets.json', cases);
