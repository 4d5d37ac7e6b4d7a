import type { Figure } from '../gear';
import type { RigDocument } from '../rig';
import { GROUND_FIGURES, UNIT_FIGURES } from '../rig/deviceFigures';
import type { Dbfs, Dbu, Decibels } from '../units';
import { quantity } from '../units/format';
import { withMainsEdit, type MainsEdit } from './edits';
import type { LineHum } from './hearing';
import { lineHum, lineLevels } from './readings';
import { mainsSystem } from './system';
import type { Hearings } from './ties';

/** A figure that would bring the model to what was heard. */
export interface Explaining {
  what: string;
  figure: Figure;
  edit: MainsEdit;
}

/** What was heard on a line, against what is computed. */
export interface HumDifference {
  line: string;
  measured: Dbu;
  computed: Dbu;
  within: Decibels;
  /** The model is as good as it says. */
  agrees: boolean;
  /** Empty where it agrees, and where no single figure would do. */
  explained: Explaining[];
}

/** A level is met within this. */
const MET: Decibels = 0.05;
/** Leakage is thought of up to so many times, and down to as many, of what is usual. */
const LEAK_FACTOR = 30;

/**
 * Holds a measured hum against the model, and looks for the one figure that would explain what lies between them.
 * @param dbfs level of the mains harmonics, unweighted, recorded at the gain of the plan
 * @returns undefined for a line that joins no two units, or that nothing arrives over
 */
export function humDifference(document: RigDocument, line: string, dbfs: Dbfs): HumDifference | undefined {
  const hearings: Hearings = new WeakMap();
  const hum = lineHum(mainsSystem(document, hearings, line), line);
  if (hum?.toDbfs === undefined) return undefined;
  const measured = dbfs - hum.toDbfs;
  const computed = hum.reads['as-set'];
  const agrees = Math.abs(measured - computed) <= hum.within;
  return {
    line,
    measured,
    computed,
    within: hum.within,
    agrees,
    explained: agrees
      ? []
      : thoughts(document, hum).flatMap((thought): Explaining[] => {
          const value = solvedFor(document, hearings, thought, hum, measured);
          if (value === undefined) return [];
          const figure: Figure = { ...thought.figure(value), basis: 'measured', where: WHERE };
          return [
            { what: `${thought.what}: ${quantity(figure.value, figure.unit)}`, figure, edit: thought.edit(figure) },
          ];
        }),
  };
}

const WHERE = 'from the hum that a hunt found';

/** A figure that may be otherwise, and where to look for it. */
interface Thought {
  what: string;
  /** From the least to the most that is thought of. */
  range: readonly [number, number];
  figure: (value: number) => Omit<Figure, 'basis'>;
  edit: (figure: Figure) => MainsEdit;
}

function thoughts(document: RigDocument, { line, how, shares: [most] }: LineHum): Thought[] {
  const measured = (figure: keyof typeof GROUND_FIGURES, what: string): Thought => {
    const { unit, min, max } = GROUND_FIGURES[figure];
    return {
      what,
      range: [Math.max(min, 1e-4), max],
      figure: (value) => ({ value, unit }),
      edit: (to) => ({ do: 'measured', line, figure, to }),
    };
  };
  const unit = most?.way === 'leakage' ? document.units?.find(({ id }) => id === most.unit) : undefined;
  const usual = unit?.leakage?.value ?? 4.7;
  return [
    ...(how === 'unbalanced' ? [measured('contact', 'A jack or plug on its way that is not clean')] : []),
    ...(how === 'balanced' ? [measured('pinOne', 'Shield current through its inlet’s signal ground (pin 1)')] : []),
    ...(unit
      ? [
          {
            what: `More, or less, capacitance to the mains in ${unit.name}`,
            range: [usual / LEAK_FACTOR, usual * LEAK_FACTOR] as const,
            figure: (value: number) => ({ value, unit: UNIT_FIGURES.leakage.unit }),
            edit: (to: Figure): MainsEdit => ({ do: 'figure', unit: unit.id, figure: 'leakage', to }),
          },
        ]
      : []),
  ];
}

/** The value at which the model says what was measured; undefined where none in its range does. */
function solvedFor(
  document: RigDocument,
  hearings: Hearings,
  { range: [least, most], figure, edit }: Thought,
  { line }: LineHum,
  measured: Dbu,
): number | undefined {
  const at = (value: number): Decibels => {
    const changed = withMainsEdit(document, edit({ ...figure(value), basis: 'measured' }));
    return (lineLevels(mainsSystem(changed, hearings, line), line)?.['as-set'] ?? -Infinity) - measured;
  };
  // Hum rises with each of these figures.
  let [low, high] = [Math.log(least), Math.log(most)];
  if (at(least) > MET || at(most) < -MET) return undefined;
  for (let n = 0; n < 60; n++) {
    const middle = (low + high) / 2;
    const off = at(Math.exp(middle));
    if (Math.abs(off) < MET) return Number(Math.exp(middle).toPrecision(3));
    [low, high] = off < 0 ? [middle, high] : [low, middle];
  }
  return undefined;
}
