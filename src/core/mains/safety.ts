import { quantity } from '../units/format';
import { behind } from './behind';
import type { MainsFinding } from './finding';
import { EARTH_PATH, EARTH_MISSING, GROUND_FAULT, LOW_VOLTS, RESIDUAL, RESIDUAL_SHARE, TOUCH } from './figures';
import { earthed } from './network';
import type { MainsReadings } from './readings';
import type { MainsOutlet, MainsSystem, MainsUnit } from './system';

const ELECTRICIAN = 'Fixed wiring, boards and earth rods are for a licensed electrician, under local code.';

/** An earth path that no lead as it is stated, or as long as it may be, accounts for. */
const hasBadEarth = ({ earth, longest }: MainsOutlet): boolean => earth !== undefined && earth > longest + EARTH_PATH;

/** Whether an outlet, or one that it hangs on, is out of use until its earth is repaired. */
export function isOutOfUse({ outlets }: MainsSystem, name: string): boolean {
  const named = (of: string | undefined) => outlets.find((each) => each.name === of);
  for (let at = named(name); at; at = named(at.from)) if (hasBadEarth(at)) return true;
  return false;
}

/** Outlets that carry more than they are rated for, by their names. */
export const overloaded = (system: MainsSystem): string[] =>
  [...behind(system)].flatMap(([name, units]) => {
    const { rating } = system.outlets.find((outlet) => outlet.name === name)!;
    const amps = units.reduce((sum, unit) => sum + unit.amps, 0);
    return rating !== undefined && amps > rating ? [name] : [];
  });

/** Earth that is missing, or leaks too much, is no matter of sound: what can hurt somebody, worst first. */
export const safetyFindings = ({ units, outlets }: MainsSystem): MainsFinding[] => [
  ...units.filter(({ plug }) => plug === 'earth lifted').map(earthLifted),
  ...units.filter((unit) => earthed(unit) && (unit.chassis ?? 0) >= EARTH_MISSING).map(earthMissing),
  ...outlets.filter(({ earth, lead }) => earth !== undefined && earth > lead + EARTH_PATH).map(earthPath),
  ...units.filter((unit) => (unit.touch ?? 0) > touchLimit(unit)).map(touchCurrent),
];

const earthLifted = ({ name }: MainsUnit): MainsFinding => ({
  code: 'earth-lifted',
  severity: 'harm',
  what: `${name} has no protective earth`,
  why: 'A fault inside puts its case at mains voltage, and the current has no way home but through whoever touches it. Take it out of use until its earth is back; hum has other cures.',
  remedies: [],
});

const earthMissing = ({ name, chassis }: MainsUnit): MainsFinding => ({
  code: 'earth-missing',
  severity: 'harm',
  what: `${quantity(chassis!, 'V')} between ${name} and earth`,
  why: `An earthed unit stands at millivolts; at ${quantity(EARTH_MISSING, 'V')} or more its earth is missing somewhere between plug and board. Don't touch it together with anything else, pull its plug, and have lead and outlet tested. ${ELECTRICIAN}`,
  remedies: [{ what: `Take ${name} and its outlet out of use until both are tested` }],
  forElectrician: true,
});

function earthPath(outlet: MainsOutlet): MainsFinding {
  const { name, earth, lead, longest } = outlet;
  // What may be the lead itself, as long as nobody has said how long that is, stops nothing.
  const bad = hasBadEarth(outlet);
  return {
    code: 'earth-path',
    severity: bad ? 'harm' : 'watch',
    what: `Earth of ${name}: ${quantity(earth!, 'Ω')}`,
    why: bad
      ? `Its lead has ${quantity(longest, 'Ω')} at most; more than ${quantity(EARTH_PATH, 'Ω')} above that is no safe way home for a fault. Out of use until repaired. ${ELECTRICIAN}`
      : `A usual lead has ${quantity(lead, 'Ω')}, a long one up to ${quantity(longest, 'Ω')}. State its length and cross-section: more than ${quantity(EARTH_PATH, 'Ω')} above what they have is out of use until repaired.`,
    remedies: bad ? [{ what: `Take ${name} out of use and have it repaired` }] : [],
    ...(bad && { forElectrician: true as const }),
  };
}

const touchLimit = (unit: MainsUnit): number => (earthed(unit) ? TOUCH.earthed : TOUCH.floating);

const touchCurrent = (unit: MainsUnit): MainsFinding => ({
  code: 'touch-current',
  severity: 'harm',
  what: `${quantity(unit.touch!, 'A')} through whoever touches ${unit.name}`,
  why: `Measured; more than ${quantity(touchLimit(unit), 'A')} is too much for a unit ${earthed(unit) ? 'with' : 'without'} protective earth. For the repair shop, and out of use until then.`,
  remedies: [{ what: `Take ${unit.name} out of use and have it repaired` }],
});

/** What hangs on outlets: too much current, too much leakage together, and what goes on without the mains. */
export const loadFindings = (system: MainsSystem, readings: MainsReadings): MainsFinding[] => [
  ...overloads(readings),
  ...leakageSum(system, readings),
];

const overloads = ({ loads }: MainsReadings): MainsFinding[] =>
  loads
    .filter(({ amps, rating }) => rating !== undefined && amps > rating)
    .map(({ outlet, amps, stated, watts, rating }) => ({
      code: 'overloaded',
      severity: stated > rating! ? 'harm' : 'watch',
      what: stated > rating! ? `${outlet} is overloaded: ${quantity(stated, 'A')}` : `${outlet} may be overloaded`,
      why: `${quantity(amps, 'A')} hang on it (${quantity(watts, 'W')}${stated < amps ? `; ${quantity(stated, 'A')} of it stated, the rest usual for its kind` : ''}); it is rated for ${quantity(rating!, 'A')}. Leads get hot before fuses blow.`,
      remedies: [{ what: 'Move something to an outlet of another circuit' }],
    }));

function leakageSum({ volts }: MainsSystem, { residual }: MainsReadings): MainsFinding[] {
  const interrupter = volts < LOW_VOLTS;
  const limit = interrupter ? GROUND_FAULT : RESIDUAL * RESIDUAL_SHARE;
  if (residual <= limit) return [];
  return [
    {
      code: 'residual',
      severity: 'watch',
      what: `${quantity(residual, 'A')} of leakage`,
      why: interrupter
        ? `On one outlet with a ground-fault interrupter, which trips from ${quantity(GROUND_FAULT, 'A')} on, filters alone are enough.`
        : `Filters alone take more than a third of the ${quantity(RESIDUAL, 'A')} at which a residual-current device trips; damp or one more unit may do the rest.`,
      remedies: [{ what: 'Spread the units over circuits with devices of their own' }],
      forElectrician: true,
    },
  ];
}

/** If the mains fail: what goes on, for how long, and what does not. Told where somebody has stated a supply that bridges, or a protector. */
export function outage({ outlets, units }: MainsSystem, { loads }: MainsReadings): MainsFinding[] {
  if (!outlets.some(({ backup, surge }) => backup !== undefined || surge)) return [];
  const upper = (name: string | undefined) => outlets.find((each) => each.name === name);
  const has = (unit: MainsUnit, what: (outlet: MainsOutlet) => unknown): boolean => {
    for (let at = upper(unit.outlet); at; at = upper(at.from)) if (what(at)) return true;
    return false;
  };
  const named = (list: readonly MainsUnit[]) => list.map(({ name }) => name).join(', ') || 'nothing';
  const mains = units.filter(({ plug }) => plug !== 'cells');
  const bridged = loads
    .filter(({ lasts }) => lasts !== undefined)
    .map(({ outlet, lasts, watts }) => `${outlet} for about ${Math.round(lasts! / 60)} min at ${quantity(watts, 'W')}`);
  return [
    {
      code: 'outage',
      severity: 'note',
      what: bridged.length ? `If the mains fail: ${bridged.join('; ')}` : 'What stands behind a surge protector',
      why: [
        ...(bridged.length
          ? [
              `Off at once: ${named(mains.filter((unit) => !has(unit, ({ backup }) => backup !== undefined)))}. Save the recording first, then shut computers and drives down; lamps and chargers off make the rest last longer. An aged battery holds less than this.`,
            ]
          : []),
        `Without surge protection: ${named(mains.filter((unit) => !has(unit, ({ surge }) => surge)))}. A protector is spent by surges; look at its lamp. None stops lightning nearby: pull the plugs.`,
      ].join(' '),
      remedies: [],
    },
  ];
}
