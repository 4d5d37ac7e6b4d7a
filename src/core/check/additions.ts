import {
  CONNECTORS,
  inletKind,
  isCable,
  isMending,
  isPlainAdapter,
  linkKind,
  LINKS,
  mending,
  reader,
  type Mends,
  type Part,
} from '../gear';
import type { Edit } from '../gear/edits';
import { feedOf, offeredFeeds, characterOf, isMicrophone, nameOf, type Case } from './case';
import type { Remedy } from './finding';
import { fromKit, joins, otherCable } from './kitParts';
import { USUAL } from '../standards/feeds';

/** Everything that could be put into a line, or in the place of something: the check says what it is good for. */
export const additions = (at: Case): Remedy[] => [
  ...inXlr(at),
  ...forSource(at),
  ...forElectret(at),
  ...attenuators(at),
  ...boxes(at),
  ...connectors(at),
  ...channels(at),
  ...splitters(at),
  ...secondInput(at),
  ...boxToInlet(at),
];

const added = (at: Case, part: Part, where: string, edits: (part: Part) => Edit[], verb = 'Add'): Remedy => {
  const found = fromKit(at, part);
  return {
    by: 'add',
    label: `${verb} ${found.name}`,
    note: [joins(found.part), where, found.note].filter(Boolean).join(', '),
    edits: edits(found.part),
    ...(found.owned !== undefined && { owned: found.owned }),
  };
};

const inserted = (at: Case, n: number, part: Part, where: string, more: Edit[] = []): Remedy =>
  added(at, part, where, (own) => [{ do: 'insert', at: n, part: own }, ...more]);

const replaced = (at: Case, n: number, part: Part, more: Edit[] = []): Remedy =>
  added(
    at,
    part,
    `in place of ${nameOf(at.line, n)}`,
    (own) => [{ do: 'replace', part: n, with: own }, ...more],
    'Use',
  );

/** The 48 V that a box lives on, turned on where that is possible. */
const powered = (at: Case): Edit[] =>
  feedOf(at.line) !== USUAL && offeredFeeds(at.line).includes(USUAL)
    ? [{ do: 'choose', part: 'inlet', choice: 'feed', value: USUAL }]
    : [];
const onNote = (at: Case): string => (powered(at).length ? ', 48 V on' : '');

/** The first place of the line where it is XLR. */
const firstXlr = (at: Case): number => at.circuit.junctions.findIndex(({ plug }) => plug === 'xlr3');

const has = (at: Case, use: Mends): boolean => at.line.links.some((part) => isMending(part, use));

function inXlr(at: Case): Remedy[] {
  const n = firstXlr(at);
  const last = at.line.links.length;
  if (n < 0) return [];
  const where = n === 0 ? 'straight after the source' : 'where the line becomes XLR';
  const end = at.circuit.junctions[last].plug === 'xlr3';
  const over = at.level ? at.level.gainMin - at.level.gainNeeded : 0;
  const decibels = Math.min(Math.max(Math.ceil(over / 10) * 10, 10), 60);
  return [
    ...(has(at, 'isolation') ? [] : [inserted(at, n, mending('isolation'), where)]),
    ...(has(at, 'polarity') || !end ? [] : [inserted(at, last, mending('polarity'), 'at the inlet')]),
    ...(end && over > 0
      ? [
          inserted(
            at,
            last,
            mending('pad', { figures: { attenuation: { value: decibels, unit: 'dB', basis: 'common practice' } } }),
            `${decibels} dB, at the inlet`,
          ),
        ]
      : []),
  ];
}

/** A lead that attenuates, where what plays is too loud for a 3.5 mm inlet. */
function attenuators(at: Case): Remedy[] {
  const last = at.line.links.length;
  const over = at.level ? at.level.gainMin - at.level.gainNeeded : 0;
  if (over <= 0 || at.circuit.junctions[last].plug !== 'trs35' || has(at, 'attenuating lead')) return [];
  return [inserted(at, last, mending('attenuating lead', { choices: { ends: 'mini' } }), 'at the inlet')];
}

/** A direct box where a jack lead begins, microphone cable from there on, and a microphone inlet that is free. */
function boxToInlet(at: Case): Remedy[] {
  const { links, branches = [] } = at.line;
  const jack = at.circuit.junctions[0].plug;
  if (isMicrophone(at.line) || jack !== 'ts635' || branches.length || !links.every(isCable)) return [];
  const free = at.free.find(({ inlet }) => takesMicrophones(inlet));
  if (!free) return [];
  const box: Part = characterOf(at.line) === 'pickup' ? active('on') : mending('passive box');
  const into = free.inlet.name ?? 'a free microphone inlet';
  const one = inserted(at, 0, box, `at the source, microphone cable from there on, into ${into}`);
  return [
    {
      ...one,
      edits: [...one.edits, ...links.map((cable, n) => otherCable(cable, n + 1, 'xlr3')), { do: 'move', ...free }],
    },
  ];
}

function forSource(at: Case): Remedy[] {
  if (at.circuit.junctions[0].plug !== 'xlr3') return [];
  const character = characterOf(at.line);
  const quiet = character === 'moving coil' || character === 'passive ribbon';
  const supply = at.supplies.find(({ stake }) => stake.part === 'source');
  const wants = supply?.state === 'runs' ? undefined : supply?.stake.wants;
  return [
    ...(quiet && !has(at, 'booster')
      ? [inserted(at, 0, mending('booster'), `straight after the source${onNote(at)}`, powered(at))]
      : []),
    ...(wants === 'phantom' ? [inserted(at, 0, mending('phantom supply'), '48 V of its own')] : []),
    ...(wants === 'T12' ? [inserted(at, 0, mending('T12 supply'), 'straight after the microphone')] : []),
  ];
}

/** The phantom to plug-in-power adapter in place of a plain one: for what lives on plug-in power, and for nothing else. */
function forElectret(at: Case): Remedy[] {
  if (!at.circuit.stakes.some(({ type, part }) => type === 'capsule' && part === 'source')) return [];
  return at.line.links.flatMap((part, n): Remedy[] => {
    const { input, output } = at.circuit.links[n];
    if (!isPlainAdapter(part) || CONNECTORS[input].size !== '3.5 mm' || output !== 'xlr3') return [];
    const one = replaced(at, n, mending('plug-in converter'), powered(at));
    return [{ ...one, note: `${one.note}${onNote(at)}` }];
  });
}

const active = (battery: 'on' | 'off'): Part => mending('active box', { choices: { battery } });

function boxes(at: Case): Remedy[] {
  if (isMicrophone(at.line)) return [];
  return at.line.links.flatMap((part, n): Remedy[] => {
    const passive = isMending(part, 'passive box');
    if (!passive && part.choices?.wiring !== 'ts-to-xlr') return [];
    const on = replaced(at, n, active('off'), powered(at));
    return [
      ...(passive ? [] : [replaced(at, n, mending('passive box'))]),
      { ...on, note: `${on.note}${onNote(at)}` },
      { ...replaced(at, n, active('on')), label: `${replaced(at, n, active('on')).label} on battery` },
    ];
  });
}

/** Every single link that joins two connectors that do not fit, or two orders of one. */
function connectors(at: Case): Remedy[] {
  const between = at.circuit.junctions.flatMap(({ plug, socket, fits }, n) => {
    const orders = plug === 'trrs35' || socket === 'trrs35';
    return fits && !orders ? [] : [{ plug, socket, n }];
  });
  const parts: Part[] = LINKS.filter(({ nature, planning }) => nature !== 'cable' && !planning?.leftAlone).flatMap(
    ({ kind, choices }) =>
      choices.wiring ? choices.wiring.options.map(({ value }) => ({ kind, choices: { wiring: value } })) : [{ kind }],
  );
  return between.flatMap(({ plug, socket, n }) =>
    parts
      .filter((part) => {
        const { input, output } = linkKind(part.kind).ends(reader(linkKind(part.kind), part));
        return (
          output === socket &&
          CONNECTORS[input].size === CONNECTORS[plug].size &&
          CONNECTORS[input].contacts.length >= CONNECTORS[plug].contacts.length
        );
      })
      .flatMap((part): Remedy[] => [
        inserted(
          at,
          n,
          part,
          isMending(part, 'plug-in converter') ? onNote(at).replace(/^, /, '') : '',
          isMending(part, 'plug-in converter') ? powered(at) : [],
        ),
        ...(at.line.links[n] && isPlainAdapter(at.line.links[n]) && isPlainAdapter(part)
          ? [replaced(at, n, part)]
          : []),
      ]),
  );
}

/** Adapters of other wirings between the same connectors, and leads that keep left and right apart. */
function channels(at: Case): Remedy[] {
  return at.line.links.flatMap((part, n): Remedy[] => {
    if (!isPlainAdapter(part)) return [];
    const kind = linkKind(part.kind);
    const { input, output } = at.circuit.links[n];
    const others = kind.choices.wiring.options
      .filter(({ value }) => {
        const ends = kind.ends(reader(kind, { kind: part.kind, choices: { wiring: value } }));
        return (
          value !== part.choices?.wiring &&
          ends.input === input &&
          CONNECTORS[ends.output].size === CONNECTORS[output].size
        );
      })
      .map(({ value }) => replaced(at, n, mending('adapter', { choices: { wiring: value } })));
    if (input !== 'trs35' || output !== 'xlr3' || isMicrophone(at.line)) return others;
    const split = mending('stereo split', { choices: { connector: 'ts635' } });
    const box = added(
      at,
      mending('stereo box'),
      'left here, right on a second inlet',
      (own) => [
        { do: 'replace', part: n, with: split },
        { do: 'insert', at: n + 1, part: own },
      ],
      'Use',
    );
    const lead = replaced(at, n, mending('stereo split', { choices: { connector: 'xlr3' } }));
    return [
      box,
      { ...lead, label: 'Use a dual-mono lead (3.5 mm to two XLR)', note: 'left here, right on a second inlet' },
      ...others,
    ];
  });
}

const splitters = (at: Case): Remedy[] =>
  at.line.links.flatMap((part, n) =>
    linkKind(part.kind).nature === 'passive Y' &&
    (at.line.branches ?? []).some(({ at: where, inlet }) => where === n && inlet)
      ? [replaced(at, n, mending('split'))]
      : [],
  );

/** Whether a microphone line ends in such an inlet, of a mixer or a recorder. */
function takesMicrophones(inlet: Part): boolean {
  const kind = inletKind(inlet.kind);
  const plugs = kind.sockets.includes('xlr3') && !kind.plugsOn && !kind.intercom;
  return plugs && kind.meantFor(reader(kind, inlet), 'xlr3') === 'microphone';
}

/** A stereo direct box: the output on the thru gets its other channel, and an inlet of its own. */
function secondInput(at: Case): Remedy[] {
  return at.line.links.flatMap((part, n): Remedy[] => {
    const other = (at.line.branches ?? []).find(
      ({ at: where, port, source }) => where === n && source && port === 'through',
    );
    const second = part.entry === 'through' ? at.line.id : other?.line;
    if (!second) return [];
    const { output } = linkKind(part.kind).ends(reader(linkKind(part.kind), part));
    const free = at.free.find(({ inlet }) => output === 'xlr3' && takesMicrophones(inlet));
    if (!free) return [];
    return [
      {
        by: 'add',
        label: 'Use a stereo direct box',
        note: `the second output on ${free.inlet.name ?? 'a free inlet'}`,
        edits: [{ do: 'separate', at: n, line: second, ...free }],
      },
    ];
  });
}
