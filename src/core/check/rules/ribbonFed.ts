import { UNKNOWN, type WindingStake } from '../../gear';
import { LIVE } from '../../standards/feeds';
import {
  characterOf,
  faulty,
  feedAt,
  finding,
  heldAgainst,
  linksOf,
  nameOf,
  quantity,
  ratedFor,
  readPart,
  rounded,
  schoolOf,
  type Case,
  type Rule,
} from '../case';
import type { Answer, Finding, Severity } from '../finding';
import { windingCurrent } from './elementDirectCurrent';

interface RibbonFacts {
  tap: string;
  maker: string;
  /** What on the line speaks against a feed by itself. */
  doubts: string[];
  /** Cables that nobody has tested. */
  untested: string[];
}

/** What each school says of a live feed on a passive ribbon; undefined is no objection. */
function ribbonSeverity(school: string, { tap, maker, doubts }: RibbonFacts): Severity | undefined {
  if (school === 'never') return 'harm';
  if (school === 'trust-maker' && maker === 'safe' && tap !== 'grounded') return undefined;
  return tap !== 'none' || maker === 'harmful' || doubts.length > 0 ? 'harm' : 'watch';
}

const untested = (at: Case): string[] =>
  linksOf(at.line, 'cable')
    .filter((n) => readPart(at.line, n).choice('tested') !== 'yes')
    .map((n) => nameOf(at.line, n));

const doubts = (at: Case): string[] => [
  ...(linksOf(at.line, 'TRS patch point').length || at.circuit.junctions.some(({ plug }) => plug === 'trs635')
    ? ['the line runs over a TRS contact']
    : []),
  ...(linksOf(at.line, 'plain adapter').length ? ['there is an adapter on the line'] : []),
  ...(faulty(at.line).length ? ['a cable has a known fault'] : []),
];

/** The feed at a passive ribbon: what stands at its pins, however little, as long as a live feed reaches it; else 0. */
export function fedRibbon(at: Case): number {
  if (characterOf(at.line) !== 'passive ribbon') return 0;
  const volts = feedAt(at, 0);
  const flows = at.circuit.stakes.some(
    (stake) => stake.type === 'winding' && stake.part === 'source' && windingCurrent(at, stake) > stake.limit.value,
  );
  return volts > LIVE || flows ? volts : 0;
}

export const ribbonFed: Rule = {
  code: 'ribbon-fed',
  judge(at) {
    const volts = fedRibbon(at);
    if (volts === 0) return [];
    const source = readPart(at.line, 'source');
    const facts: RibbonFacts = {
      tap: source.choice('tap'),
      maker: source.choice('maker'),
      doubts: doubts(at),
      untested: untested(at),
    };
    const severity = ribbonSeverity(at.schools.ribbonFeed, facts);
    if (!severity) return [];
    return [
      finding({
        code: 'ribbon-fed',
        severity,
        part: 'source',
        what:
          volts > LIVE ? `${rounded(volts, 'V')} on a passive ribbon` : 'The ribbon’s centre tap is shorting the feed',
        why: [tapText(at, facts), doubtText(facts), makerText(facts)].filter(Boolean).join(' '),
        numbers: numbers(at, volts),
        ...schoolOf(at, 'ribbonFeed'),
        answers: answers(facts),
        look: 'Unplug the ribbon with the feed off, and move it to a bank that stays off.',
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
  const stake = solved?.circuit.stakes.find(
    (other): other is WindingStake => other.type === 'winding' && other.part === 'source',
  );
  return solved && stake && { amps: windingCurrent(solved, stake), stake };
}

function tapText(at: Case, { tap }: RibbonFacts): string {
  const worst = grounded(at);
  if (tap === 'none')
    return 'No tap on pin 1, so no DC flows while both legs are equal. A dead cable or hot-plugging changes that.';
  const amps = worst ? quantity(worst.amps, 'A') : 'current';
  return tap === UNKNOWN
    ? `Not known: is the centre tap on pin 1? If it is, ${amps} flows through each half of the winding, ${worst ? ratedFor(worst.stake.limit, 'A') : 'rated for none'}.`
    : `The centre tap is on pin 1: ${amps} flows through each half of the winding. Equal halves cancel in the core; the first plug or fault that makes them unequal does not.`;
}

const doubtText = ({ doubts: list, untested: cables }: RibbonFacts): string =>
  [
    list.length ? `Also, ${list.join(' and ')}.` : '',
    cables.length ? `Not tested: ${cables.join(', ')}. Test every conductor for continuity and shorts.` : '',
  ]
    .filter(Boolean)
    .join(' ');

const makerText = ({ maker }: RibbonFacts): string =>
  maker === 'safe' ? 'The maker says phantom is safe.' : maker === 'harmful' ? 'The maker says: no phantom.' : '';

function numbers(at: Case, volts: number): Finding['numbers'] {
  const worst = grounded(at);
  return [
    { label: 'Feed at the ribbon', value: volts, unit: 'V' },
    ...(worst
      ? [
          {
            label: 'Current per half winding if tapped',
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
      ? [
          choose('tap', 'none', 'Record the maker’s answer: no centre tap'),
          choose('tap', 'grounded', 'Record the maker’s answer: tap on pin 1'),
        ]
      : []),
    ...(maker === 'nothing' ? [choose('maker', 'safe', 'Record the maker’s answer: phantom is safe')] : []),
  ];
}
