import { UNKNOWN, sourceKind, type WindingStake } from '../../gear';
import { LIVE } from '../../standards/feeds';
import {
  faulty,
  feedAt,
  finding,
  heldAgainst,
  linksOf,
  quantity,
  readPart,
  schoolOf,
  type Case,
  type Rule,
} from '../case';
import type { Answer, Finding, Severity } from '../finding';
import { feedOff, isolate, moveAway } from '../remedies';
import { windingCurrent } from './elementDirectCurrent';

interface RibbonFacts {
  tap: string;
  maker: string;
  /** What on the line speaks against a feed by itself. */
  doubts: string[];
}

/** What each school says of a live feed on a passive ribbon; undefined is no objection. */
function ribbonSeverity(school: string, { tap, maker, doubts }: RibbonFacts): Severity | undefined {
  if (school === 'never') return 'harm';
  if (school === 'trust-maker' && maker === 'safe') return undefined;
  return tap !== 'none' || maker === 'harmful' || doubts.length > 0 ? 'harm' : 'watch';
}

const untested = (at: Case): number[] =>
  linksOf(at.line, 'cable').filter((n) => readPart(at.line, n).choice('tested') !== 'yes');

function doubts(at: Case): string[] {
  return [
    ...(linksOf(at.line, 'TRS patch point').length ? ['a TRS patch point lies on the line'] : []),
    ...(linksOf(at.line, 'plain adapter').length ? ['an adapter lies on the line'] : []),
    ...(faulty(at.line).length ? ['a cable has a fault'] : untested(at).length ? ['a cable is untested'] : []),
  ];
}

/** The feed at a passive ribbon: what stands at its pins, however little, as long as a live feed reaches it; else 0. */
export function fedRibbon(at: Case): number {
  if (sourceKind(at.line.source.kind).character !== 'passive ribbon') return 0;
  const volts = feedAt(at, 0);
  const flows = at.circuit.stakes.some(
    (stake) => stake.type === 'winding' && windingCurrent(at, stake) > stake.limit.value,
  );
  return volts > LIVE || flows ? volts : 0;
}

export const ribbonFed: Rule = {
  code: 'ribbon-fed',
  judge(at) {
    const volts = fedRibbon(at);
    if (volts === 0) return [];
    const source = readPart(at.line, 'source');
    const facts: RibbonFacts = { tap: source.choice('tap'), maker: source.choice('maker'), doubts: doubts(at) };
    const severity = ribbonSeverity(at.schools.ribbonFeed, facts);
    if (!severity) return [];
    return [
      finding({
        code: 'ribbon-fed',
        severity,
        part: 'source',
        what:
          volts > LIVE
            ? `A live feed of ${quantity(volts, 'V')} reaches a passive ribbon`
            : 'A live feed reaches a passive ribbon, which pulls it down',
        why: [tapText(at, facts), doubtText(facts), makerText(facts)].filter(Boolean).join(' '),
        numbers: numbers(at, volts),
        remedies: [
          ...feedOff(at),
          ...moveAway(at),
          ...isolate(at),
          ...untested(at).map((n) => ({
            label: 'Note the cable as tested',
            note: 'after testing every conductor',
            edits: [{ do: 'choose' as const, part: n, choice: 'tested', value: 'yes' }],
          })),
        ],
        ...schoolOf(at, 'ribbonFeed'),
        answers: answers(facts),
      }),
    ];
  },
};

/** The winding's current with the tap grounded: solved, whether that is known or only feared. */
function grounded(at: Case): { amps: number; stake: WindingStake } | undefined {
  const solved =
    readPart(at.line, 'source').choice('tap') === 'grounded'
      ? at
      : at.alternatives.find(({ choice, value }) => choice === 'tap' && value === 'grounded')?.solved;
  const stake = solved?.circuit.stakes.find((other): other is WindingStake => other.type === 'winding');
  return solved && stake && { amps: windingCurrent(solved, stake), stake };
}

function tapText(at: Case, { tap }: RibbonFacts): string {
  const worst = grounded(at);
  if (tap === 'none')
    return 'Its transformer has no tap on pin 1, so nothing flows while both legs are equal; a fault or a plug pulled live changes that.';
  const current = worst
    ? `${quantity(worst.amps, 'A')} ${tap === UNKNOWN ? 'would flow' : 'flow'} in each half of the winding`
    : '';
  return tap === UNKNOWN
    ? `Nobody has said whether the transformer's centre tap is on pin 1. If it is, ${current}; it stands ${quantity(worst?.stake.limit.value ?? 0, 'A')}.`
    : `The transformer's centre tap is on pin 1: ${current}.`;
}

const doubtText = ({ doubts: list }: RibbonFacts): string => (list.length ? `Also, ${list.join(' and ')}.` : '');
const makerText = ({ maker }: RibbonFacts): string =>
  maker === 'safe'
    ? 'Its maker says that phantom does no harm.'
    : maker === 'harmful'
      ? 'Its maker says to keep phantom away.'
      : '';

function numbers(at: Case, volts: number): Finding['numbers'] {
  const worst = grounded(at);
  return [
    { label: 'Feed at the ribbon', value: volts, unit: 'V' },
    ...(worst
      ? [
          {
            label: 'Current in each half winding, tap grounded',
            value: worst.amps,
            unit: 'A' as const,
            limit: heldAgainst(worst.stake.limit),
          },
        ]
      : []),
  ];
}

function answers({ tap, maker }: RibbonFacts): Answer[] {
  const choose = (choice: string, value: string, label: string): Answer => ({
    label,
    edits: [{ do: 'choose', part: 'source', choice, value }],
  });
  return [
    ...(tap === UNKNOWN
      ? [choose('tap', 'none', 'Maker: no tap on pin 1'), choose('tap', 'grounded', 'Maker: tap is on pin 1')]
      : []),
    ...(maker === 'nothing' ? [choose('maker', 'safe', 'Maker: phantom does no harm')] : []),
  ];
}
