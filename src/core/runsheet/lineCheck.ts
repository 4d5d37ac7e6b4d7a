import { sideOf } from '../rig/sides';
import type { Seconds } from '../units';
import { heardOn, type SheetLine, type SheetRig } from './rig';
import type { SheetState } from './state';

/** What is looked at and listened to, line by line, once everything is plugged (common practice). */
export const LINE_CHECKS = {
  arrives: { good: 'sound arrives on its inlet, and on no other', bad: 'no sound, or on another inlet' },
  clean: { good: 'no hum, crackle or hiss above its neighbours', bad: 'hum, crackle or noise' },
  side: { good: 'left is left, right is right', bad: 'sides swapped' },
  polarity: { good: 'same polarity as its pair: together it gets louder, not thinner', bad: 'polarity reversed' },
  gain: { good: 'gain as planned, loudest passage below full scale', bad: 'gain not as planned' },
  armed: { good: 'its track is armed', bad: 'not armed' },
  label: { good: 'label says its name', bad: 'label wrong or missing' },
} as const;
export type LineCheckName = keyof typeof LINE_CHECKS;

/** What was found of a line, and when. */
export interface LineChecked {
  at: Seconds;
  /** What was not as it should be. */
  bad: LineCheckName[];
  note?: string;
}

/** What there is to look at on a line: the two sides of a pair have more of it. */
export function checksOf(rig: SheetRig, line: SheetLine): LineCheckName[] {
  const own = sideOf(line.name);
  const paired =
    own !== undefined &&
    rig.lines.some(({ id, name }) => {
      const other = sideOf(name);
      return id !== line.id && other?.name === own.name && other.side === own.other;
    });
  return (Object.keys(LINE_CHECKS) as LineCheckName[]).filter(
    (name) => paired || (name !== 'side' && name !== 'polarity'),
  );
}

/** Lines that can be checked: plugged through, in the order of their inlets. */
export const checkable = ({ lines }: SheetRig, { ends }: SheetState): SheetLine[] =>
  lines.filter(({ id, was }) => was === undefined && ends[id].stage === true && ends[id].desk === true);

/** A line's result in a sentence, for the log. */
export function checkedText(line: SheetLine, { bad, note }: Pick<LineChecked, 'bad' | 'note'>): string {
  const what = bad.length ? bad.map((each) => LINE_CHECKS[each].bad).join(', ') : 'good';
  return `Line check: ${line.name} on ${heardOn(line)}: ${what}${note ? ` (${note})` : ''}`;
}
