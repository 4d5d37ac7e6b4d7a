import { SUPPLIES, type RigDocument } from '../rig';
import { quantity } from '../units/format';
import { usualSupply } from './figures';
import type { MainsReport } from './findings';

/** What a licensed electrician is asked, and has to know for it. */
export interface Brief {
  supply: string;
  /** What is wanted, and why; empty where nothing concerns the wiring. */
  wanted: { what: string; why: string }[];
  /** Every outlet or strip with what hangs on it. */
  circuits: {
    outlet: string;
    from: string;
    lead: string;
    earth: string;
    rating: string;
    load: string;
    units: string[];
  }[];
  leakage: string;
}

const UNKNOWN = 'not known';
const EARTH = {
  bonded: 'neutral and earth joined at the supply',
  free: 'neutral and earth not joined (generator or inverter)',
  unknown: 'whether neutral and earth are joined is not known',
} as const;

/** Puts together what a licensed electrician has to know; it asks, and never says how fixed wiring is done. */
export function electricianBrief({ mains = {} }: RigDocument, report: MainsReport): Brief {
  const { system, readings, findings } = report;
  const hums = findings.filter(({ code, remedies }) => code === 'hum' && remedies.some(({ unknown }) => unknown));
  return {
    supply: `${SUPPLIES[mains.supply ?? usualSupply()].label}${mains.balanced ? ', balanced' : ''}; ${EARTH[mains.neutral ?? 'unknown']}`,
    wanted: [
      ...findings
        .filter(({ forElectrician }) => forElectrician)
        .map(({ what, why, severity }) => ({ what: `${severity === 'harm' ? 'Out of use: ' : ''}${what}`, why })),
      ...(hums.length
        ? [
            {
              what: 'One circuit for all audio, its outlets in a star, lamps and motors on others',
              why: `${hums.map(({ what }) => what).join('; ')}. Nothing that costs less is enough. If that cannot be had: what an isolating or a balanced transformer would need here, protective earth and residual-current protection kept.`,
            },
          ]
        : []),
    ],
    circuits: system.outlets.map(({ name, from }) => {
      const own = mains.outlets?.find((each) => each.name === name);
      const load = readings.loads.find(({ outlet }) => outlet === name)!;
      const lead = [own?.length && quantity(own.length.value, 'm'), own?.section && quantity(own.section.value, 'mm²')];
      return {
        outlet: name,
        from: from ?? 'the wall',
        lead: lead.filter(Boolean).join(', ') || UNKNOWN,
        earth: own?.earth ? quantity(own.earth.value, 'Ω') : 'not measured',
        rating: own?.rating ? quantity(own.rating.value, 'A') : UNKNOWN,
        load: `${quantity(load.amps, 'A')}, ${quantity(load.watts, 'W')}${load.stated < load.amps ? ` (${quantity(load.stated, 'A')} of it stated)` : ''}`,
        units: system.units.filter(({ outlet }) => outlet === name).map((unit) => unit.name),
      };
    }),
    leakage: quantity(readings.residual, 'A'),
  };
}
