import { rulesOf, type Action } from './actions';
import { setting } from './actions/saying';
import type { Fed, Happening } from '../log';
import { feedLabel, highestOf, type FeedName } from '../standards/feeds';
import { checkedText } from './lineCheck';
import { groupOf, heardOn, lineOf, monitorsNamed, ownId, type SheetGroup, type SheetLine, type SheetRig } from './rig';
import type { AtPlace, Found, Report } from './report';
import type { Step } from './step';
import type { Session } from './session';
import { isHeard, live, type SheetState } from './state';
import { stepWords } from './wording';

/** What a report adds to the log: what was reported, then every incident that it reveals. */
export function happenings(rig: SheetRig, before: Session, report: Report): Happening[] {
  // The log knows lines as the document calls them.
  return toldOf(rig, before, report).map((each) => ({
    ...each,
    lines: each.lines.map((id) => ownId(rig.lines.find((line) => line.id === id) ?? { id })),
  }));
}

function toldOf(rig: SheetRig, before: Session, report: Report): Happening[] {
  const { steps, state } = before;
  switch (report.report) {
    case 'begin':
      return [{ kind: 'sheet', text: `${KINDS[report.aim.kind]} begun`, lines: [] }];
    case 'end':
      return [{ kind: 'sheet', text: `Sheet ended, ${left(steps.length)}`, lines: [] }];
    case 'done':
      return stepsOf(before, report, report.count).map((step) => ({
        kind: 'step',
        text: stepWords(rig, state, step).title,
        lines: linesOf(rig, step.action),
        ...(step.place !== undefined && { place: step.place }),
      }));
    case 'not possible':
      return stepsOf(before, report).map((step) => ({
        kind: 'not-possible',
        text: `Not done: ${stepWords(rig, state, step).title}${report.why?.trim() ? ` (${report.why.trim()})` : ''}`,
        lines: linesOf(rig, step.action),
        ...(step.place !== undefined && { place: step.place }),
        ...(report.photo && { photo: report.photo }),
      }));
    case 'retry': {
      const step = before.leftOut?.[report.left];
      return step
        ? [
            {
              kind: 'sheet',
              text: `Tried again: ${stepWords(rig, state, step).title}`,
              lines: linesOf(rig, step.action),
            },
          ]
        : [];
    }
    case 'back': {
      const step = before.done[report.to];
      return step
        ? [{ kind: 'sheet', text: `Back to: ${stepWords(rig, state, step).title}`, lines: linesOf(rig, step.action) }]
        : [];
    }
    case 'checked':
      return [{ kind: 'line-check', text: checkedText(lineOf(rig, report.line), report), lines: [report.line] }];
    case 'move':
      return [];
    case 'found':
      return [
        { kind: 'found', text: foundWords(rig, report.what), lines: foundLines(rig, report.what) },
        ...incidents(rig, before, report.what),
      ];
  }
}

/** The steps that a report is about: the next ones, or the next ones at its place. */
const stepsOf = ({ steps }: Session, { at }: { at?: AtPlace }, count = 1): Step[] =>
  at ? steps.filter(({ place }) => place === at.place).slice(0, at.actions.length) : steps.slice(0, count);

const KINDS = { 'set-up': 'Set-up', 'change-over': 'Change-over', strike: 'Strike' } as const;
const left = (count: number): string => (count === 0 ? 'everything done' : `${count} steps not done`);

/** The feeds that sources have in a state, not what their switches are set to: of lines that are in at both ends, or may be. */
export function fedBy(rig: SheetRig, state: SheetState): Fed {
  return Object.fromEntries(
    rig.lines.flatMap((line) => {
      const feeds = mayBeThrough(state, line) ? feedsOn(rig, state, line.reaches) : [];
      if (feeds.length === 0) return [];
      const known = feeds.filter((feed) => feed !== 'unknown' && feed !== 'off') as Exclude<FeedName, 'off'>[];
      const highest = highestOf(known);
      // What it is plugged as now or was before, it is the same source.
      return [[ownId(line), highest ?? 'unknown']];
    }),
  );
}

const mayBeThrough = ({ ends }: SheetState, { id }: SheetLine): boolean =>
  ends[id].stage !== false && ends[id].desk !== false;

/** Feeds that are on, for all that is known, among some switches. */
const feedsOn = (rig: SheetRig, state: SheetState, keys: readonly string[]) =>
  keys.flatMap((key) => (live(rig, state, key) ? [state.feeds[key].feed] : []));

const linesOf = (rig: SheetRig, action: Action): string[] => [...rulesOf(action).about(rig, action)];

const onSwitch = (rig: SheetRig, key: string): SheetLine[] => rig.lines.filter(({ groups }) => groups.includes(key));

function foundLines(rig: SheetRig, what: Found): string[] {
  if ('feed' in what) return onSwitch(rig, what.feed).map(({ id }) => id);
  if ('line' in what) return [what.line];
  if ('muted' in what) return [what.muted];
  if ('supply' in what) return [what.supply];
  if ('mains' in what) return rig.lines.filter(({ device }) => device === what.mains).map(({ id }) => id);
  return [];
}

const UNKNOWN = 'not known';

function foundWords(rig: SheetRig, what: Found): string {
  if ('feed' in what)
    return `Reported: ${groupOf(rig, what.feed).name} ${what.is === 'unknown' ? UNKNOWN : setting(what.is)}`;
  if ('line' in what) {
    const line = lineOf(rig, what.line);
    const end = what.end === 'stage' ? 'at its source' : `at ${line.inlet}`;
    return `Reported: ${line.name} ${what.is === 'unknown' ? UNKNOWN : what.is ? 'plugged' : 'not plugged'} ${end}`;
  }
  if ('muted' in what)
    return `Reported: ${heardOn(lineOf(rig, what.muted))} ${what.is === 'unknown' ? UNKNOWN : what.is ? 'muted' : 'unmuted'}`;
  if ('supply' in what)
    return `Reported: the supply of ${lineOf(rig, what.supply).name} ${what.is === 'unknown' ? UNKNOWN : what.is ? 'on' : 'off'}`;
  if ('mains' in what) {
    const { name } = rig.devices.find(({ id }) => id === what.mains)!;
    return what.is === 'unknown'
      ? `Reported: ${name}, on or off not known`
      : `Reported: ${name} ${what.is ? 'has its power again' : 'has lost its power'}`;
  }
  const { name } = monitorsNamed(rig, what.monitors);
  return `Reported: ${name || 'monitors'} ${what.is === 'unknown' ? UNKNOWN : what.is === 'open' ? 'up' : 'down'}`;
}

/** What must have happened for something to be found so. */
function incidents(rig: SheetRig, { state, done }: Session, what: Found): Happening[] {
  if ('feed' in what) {
    if (what.is === 'off' || what.is === 'unknown' || live(rig, state, what.feed)) return [];
    return [
      ...reachedBy(rig, state, groupOf(rig, what.feed), [what.is]),
      ...pluggedSince(rig, done, what.feed)
        .filter(({ hotPlugs }) => !hotPlugs)
        .map((line): Happening => ({
          kind: 'incident',
          text: `${line.name} was plugged or pulled with ${groupOf(rig, what.feed).name} at ${feedLabel(what.is as FeedName)}`,
          lines: [line.id],
        })),
    ];
  }
  if ('line' in what && what.is !== 'unknown' && state.ends[what.line][what.end] !== what.is) {
    const line = lineOf(rig, what.line);
    const feeds = line.hotPlugs ? [] : feedsOn(rig, state, line.groups);
    const on = feeds.filter((feed) => feed !== 'unknown') as FeedName[];
    return on.slice(0, 1).map((feed) => ({
      kind: 'incident',
      text: `${line.name} was ${what.is ? 'plugged' : 'pulled'} live, at ${feedLabel(feed)}`,
      lines: [line.id],
    }));
  }
  // Power that is found back was gone in between, whatever the sheet took it to be.
  if ('mains' in what && what.is === true && state.mains[what.mains] !== 'unknown')
    return rig.groups
      .filter(({ device, key, latched }) => device === what.mains && latched && state.feeds[key].feed !== 'off')
      .flatMap((group) => comingBack(rig, state, group));
  return [];
}

/** A latched switch that came on with the mains. */
function comingBack(rig: SheetRig, state: SheetState, group: SheetGroup): Happening[] {
  const { feed } = state.feeds[group.key];
  const open = onSwitch(rig, group.key).filter(
    ({ id, device }) => state.muted[id] !== true && isHeard(rig, state, device),
  );
  const came = `${group.name} ${feed === 'unknown' ? 'may have come' : 'came'} on with the mains`;
  return [
    {
      kind: 'incident',
      text: open.length ? `${came}, with inlets unmuted and monitors up` : came,
      lines: onSwitch(rig, group.key)
        .filter((line) => mayBeThrough(state, line))
        .map(({ id }) => id),
    },
    ...reachedBy(rig, state, group, feed === 'unknown' ? group.offers : [feed]),
  ];
}

/** Lines that a harmful feed has reached. */
const reachedBy = (rig: SheetRig, state: SheetState, group: SheetGroup, feeds: readonly FeedName[]): Happening[] =>
  onSwitch(rig, group.key)
    .filter((line) => mayBeThrough(state, line) && line.stops[group.key]?.some((feed) => feeds.includes(feed)))
    .map((line) => ({
      kind: 'incident',
      text: `${line.name} may have been exposed to ${feeds.map(feedLabel).join(' or ')}: test it before use`,
      lines: [line.id],
    }));

/** Lines of a switch whose plugs this sheet has moved since it took the switch to be off. */
function pluggedSince(rig: SheetRig, done: Session['done'], key: string): SheetLine[] {
  const off = done.findLastIndex(({ action }) => action.do === 'feed' && action.group === key);
  const moved = new Set(
    done.slice(off + 1).flatMap(({ action }) => (action.do === 'plug' || action.do === 'unplug' ? [action.line] : [])),
  );
  return onSwitch(rig, key).filter(({ id }) => moved.has(id));
}
