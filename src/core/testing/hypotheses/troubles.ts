import { inletKind, sourceKind, withPart } from '../../gear';
import { FEEDS, feedLabel, isPhantom, type FeedName } from '../../standards/feeds';
import type { Ohms } from '../../units';
import { isSwitched, partName, type Subject, type World } from '../subject';
import { actOn, itemOf, type Act, type Draft } from './hypothesis';
import { TROUBLES } from './priors';

/** A feed whose resistors let too little through (assumed): open it reads well. */
const WEAK_FEED: Ohms = 33e3;

/** What is forgotten at the source, or wrong inside it. */
export function sourceTroubles(subject: Subject): Draft[] {
  const { line } = subject;
  const kind = sourceKind(line.source.kind);
  const name = partName(subject, 'source');
  const battery = 'battery' in kind.choices;
  const same = { part: 'source' as const, world: subject.sound, sometimes: false, condition: 'silent source' as const };
  return [
    ...(isSwitched(line.source.kind)
      ? [
          {
            ...same,
            what: `${name}: ${battery ? 'switched off, or its battery empty' : 'switched off or turned down'}`,
            act: {
              id: 'source on',
              text: `Switch ${name} on${battery ? ' with a fresh battery' : ' and turn it up'}`,
              part: 'source' as const,
            },
            weight: TROUBLES['source off'],
            counts: { class: 'desk' as const, type: 'source off' as const },
          },
        ]
      : []),
    {
      ...same,
      what: `${name}: dead`,
      act: actOn(subject, 'source'),
      weight: TROUBLES['source dead'],
      counts: {
        class: 'source',
        type: 'source dead',
        ...(itemOf(subject, 'source') && { item: itemOf(subject, 'source') }),
      },
    },
  ];
}

const atInlet = ({ line }: Subject, choices: Record<string, string>): World => ({
  line: withPart(line, 'inlet', { ...line.inlet, choices: { ...line.inlet.choices, ...choices } }),
  faults: [],
});

/** What is forgotten or wrong at the desk. */
export function deskTroubles(subject: Subject): Draft[] {
  const { line, feed, sound } = subject;
  const desk = (
    type: keyof typeof TROUBLES,
    what: string,
    act: Omit<Act, 'part'>,
    more: Partial<Draft> = {},
    weight = TROUBLES[type],
  ): Draft => ({
    what,
    part: 'desk',
    act: { ...act, part: 'desk' },
    weight,
    world: sound,
    sometimes: false,
    counts: { class: 'desk', type },
    ...more,
  });
  // Where nothing lives on the feed, it makes no difference to what is heard.
  const fed = feed !== 'off' && subject.livesOnFeed;
  const others = (line.switch?.offers ?? []).filter((other) => other !== feed && isPhantom(other as FeedName));
  return [
    ...(fed
      ? [
          desk(
            'feed off',
            `${feedLabel(feed)} is off`,
            { id: 'feed on', text: `Turn ${feedLabel(feed)} on` },
            { world: atInlet(subject, { feed: 'off' }) },
          ),
          desk(
            'weak feed',
            'the feed is weak: it reads well open, and sags under load',
            { id: 'other inlet', text: 'Move the line to another inlet' },
            {
              part: 'inlet',
              world: {
                line: withPart(line, 'inlet', {
                  ...line.inlet,
                  figures: {
                    ...line.inlet.figures,
                    ...('feedResistance' in inletKind(line.inlet.kind).figures && {
                      feedResistance: { value: WEAK_FEED, unit: 'Ω', basis: 'assumed' },
                    }),
                  },
                }),
                faults: [],
              },
            },
          ),
        ]
      : []),
    ...others.map((other) =>
      desk(
        'other voltage',
        `the feed is set to ${FEEDS[other as Exclude<FeedName, 'off'>].label}`,
        { id: 'feed voltage', text: `Set the feed to ${feedLabel(feed)}` },
        { world: atInlet(subject, { feed: other }) },
        fed ? TROUBLES['other voltage'] / others.length : 0,
      ),
    ),
    desk(
      'muted',
      'muted, or its gain or fader down',
      { id: 'unmute', text: 'Unmute it and turn it up' },
      { condition: 'muted' },
    ),
    desk('padded', 'a pad is in', { id: 'pad out', text: 'Take the pad out' }, { condition: 'padded' }),
    desk(
      'elsewhere',
      'in another inlet, patch or channel',
      { id: 'right inlet', text: 'Follow the line to its inlet, and the inlet to its channel' },
      { condition: 'elsewhere' },
    ),
  ].filter(({ weight }) => weight > 0);
}
