import { SEVERITIES, VERDICT_ORDER, type Severity, type Verdict } from '../../check/finding';
import type { DcLoad, DcSupply, DirectCurrent } from '../../rig/directCurrent';
import { quantity } from '../../units/format';

/** One statement about a load on an outlet, or about what shares a ground with it. */
export interface DcFinding {
  code:
    | 'polarity'
    | 'voltage-high'
    | 'voltage-low'
    | 'outlet-overload'
    | 'supply-overload'
    | 'grounds-short'
    | 'clock-noise'
    | 'shared-ground'
    | 'no-supply';
  severity: Severity;
  what: string;
  why: string;
  basis: string;
  /** What would mend it. */
  remedy?: string;
}

/** A load where it hangs, with what speaks against that. */
export interface DcResult {
  load: string;
  verdict: Verdict;
  findings: DcFinding[];
}

const milliamps = (value: number): string => quantity(value / 1000, 'A');
const volts = (value: number): string => quantity(value, 'V');

/** What speaks against one load on one supply, whatever else hangs there. */
export function pairFindings(load: DcLoad, supply: DcSupply): DcFinding[] {
  const found: DcFinding[] = [];
  if (load.centre !== supply.centre)
    found.push({
      code: 'polarity',
      severity: 'harm',
      what: `${load.name} gets its voltage the wrong way round`,
      why: `The plug of ${supply.name} is ${supply.centre} at the centre, ${load.name} wants it ${load.centre}: ${volts(supply.volts.value)} stand reversed at its input.`,
      basis: 'figures of both',
      remedy: supply.isolated
        ? `A lead that swaps plus and minus, marked so that it goes to ${load.name} alone: outlets of ${supply.name} are isolated.`
        : `Another supply: outlets of ${supply.name} share a ground, and a reversing lead would short it through the shields.`,
    });
  if (supply.volts.value > load.highest.value)
    found.push({
      code: 'voltage-high',
      severity: 'harm',
      what: `Too much voltage for ${load.name}`,
      why: `${supply.name} gives ${volts(supply.volts.value)}; ${load.name} is rated for ${volts(load.highest.value)}.`,
      basis: `most voltage: ${load.highest.basis}`,
    });
  if (supply.volts.value < load.lowest.value)
    found.push({
      code: 'voltage-low',
      severity: 'silent',
      what: `Too little voltage for ${load.name}`,
      why: `${supply.name} gives ${volts(supply.volts.value)}; ${load.name} runs from ${volts(load.lowest.value)}.`,
      basis: `least voltage: ${load.lowest.basis}`,
    });
  return found;
}

/** Checks every load on the outlet that it hangs on. Loads on one outlet share its current; outlets that are not isolated share a ground. */
export function checkDirectCurrent({ supplies, loads }: DirectCurrent): DcResult[] {
  const byId = new Map(supplies.map((supply) => [supply.id, supply]));
  return loads.map((load): DcResult => {
    const supply = load.on && byId.get(load.on.supply);
    const findings = supply ? [...pairFindings(load, supply), ...sharedFindings(load, supply, loads)] : [unfed(load)];
    const severities = findings.map(({ severity }) => VERDICTS[severity]);
    return {
      load: load.id,
      verdict: VERDICT_ORDER.find((verdict) => severities.includes(verdict)) ?? 'Clear',
      findings,
    };
  });
}

/** A supply as it would be for one load, on an outlet that nobody else has if there is one. */
export interface DcOption {
  supply: string;
  name: string;
  outlet: number;
  verdict: Verdict;
  reason: string;
}

/** Every supply, tried for one load with everything else where it hangs. */
export function dcOptions(own: DirectCurrent, id: string): DcOption[] {
  const load = own.loads.find((each) => each.id === id);
  if (!load) return [];
  return own.supplies.map((supply): DcOption => {
    const taken = new Set(
      own.loads.flatMap(({ id: other, on }) => (other !== id && on?.supply === supply.id ? [on.outlet] : [])),
    );
    const free = Array.from({ length: supply.outlets }, (_, n) => n + 1).find((outlet) => !taken.has(outlet));
    const outlet = load.on?.supply === supply.id ? load.on.outlet : (free ?? 1);
    const hung = own.loads.map((each) => (each === load ? { ...each, on: { supply: supply.id, outlet } } : each));
    const result = checkDirectCurrent({ ...own, loads: hung }).find((each) => each.load === id)!;
    const worst = SEVERITIES.map((severity) => result.findings.find((each) => each.severity === severity)).find(
      Boolean,
    );
    return {
      supply: supply.id,
      name: supply.name,
      outlet,
      verdict: result.verdict,
      reason:
        worst && worst.severity !== 'note'
          ? `${worst.what}.`
          : `It gives ${volts(supply.volts.value)} and up to ${milliamps(supply.limit.value)}; ${milliamps(load.current.value)} are drawn${worst ? ', over a shared ground' : ''}.`,
    };
  });
}

const VERDICTS: Record<Severity, Verdict> = { harm: 'Stop', silent: 'Silent', watch: 'Watch', note: 'Clear' };

const unfed = ({ name, current }: DcLoad): DcFinding => ({
  code: 'no-supply',
  severity: 'silent',
  what: `${name} hangs on no supply`,
  why: `It draws ${milliamps(current.value)} and gets none.`,
  basis: `current: ${current.basis}`,
});

/** An outlet that has to give so many times its most overheats or shuts down (common practice: supplies stand a little over, no double). */
const FAR_OVER = 2;

function sharedFindings(load: DcLoad, supply: DcSupply, loads: readonly DcLoad[]): DcFinding[] {
  const found: DcFinding[] = [];
  const onSupply = loads.filter(({ on }) => on?.supply === supply.id);
  const onOutlet = onSupply.filter(({ on }) => on!.outlet === load.on!.outlet);
  const sum = (list: readonly DcLoad[]) => list.reduce((total, { current }) => total + current.value, 0);
  if (sum(onOutlet) > supply.limit.value)
    found.push({
      code: 'outlet-overload',
      severity: sum(onOutlet) >= FAR_OVER * supply.limit.value ? 'harm' : 'watch',
      what: `Outlet ${load.on!.outlet} of ${supply.name} gives more than it should`,
      why: `${milliamps(sum(onOutlet))} are drawn from it; it has ${milliamps(supply.limit.value)}. The voltage sags, and digital boxes restart.`,
      basis: `most current of one outlet: ${supply.limit.basis}`,
    });
  if (supply.total && sum(onSupply) > supply.total.value)
    found.push({
      code: 'supply-overload',
      severity: 'watch',
      what: `${supply.name} gives more than it should`,
      why: `${milliamps(sum(onSupply))} are drawn from all its outlets; it has ${milliamps(supply.total.value)}.`,
      basis: `most current of all outlets: ${supply.total.basis}`,
    });
  const sharing = (supply.isolated ? onOutlet : onSupply).filter((other) => other !== load);
  const opposite = sharing.find(({ ground }) => ground !== load.ground);
  if (opposite)
    found.push({
      code: 'grounds-short',
      severity: 'harm',
      what: `The signal cable between ${load.name} and ${opposite.name} shorts the supply`,
      why: `${load.name} has its signal ground at the ${load.ground} pole, ${opposite.name} at the ${opposite.ground} one; on ${supply.isolated ? 'one outlet' : 'outlets with a shared ground'} their shields join both poles: ${volts(supply.volts.value)} across a cable.`,
      basis: 'figures of both; outlets share a ground unless isolated',
    });
  const clocked = sharing.find(({ digital }) => digital !== load.digital);
  if (clocked && !opposite)
    found.push({
      code: 'clock-noise',
      severity: 'watch',
      what: `${load.digital ? load.name : clocked.name} may whine in ${load.digital ? clocked.name : load.name}`,
      why: `A digital and an analogue box share ${supply.isolated ? `outlet ${load.on!.outlet}` : 'one ground and one supply'}; the clock's current passes through the ground of both.`,
      basis: 'common practice',
    });
  else if (sharing.length && !opposite)
    found.push({
      code: 'shared-ground',
      severity: 'note',
      what: 'It shares a ground with other boxes',
      why: `With a signal cable from ${load.name} to ${sharing[0].name} their grounds form a loop, small as long as both lie together.`,
      basis: 'common practice',
    });
  return found;
}
