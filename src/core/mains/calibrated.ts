import type { LineGround, RigDocument } from '../rig';
import { calculatedThen } from './edits';
import type { MainsReadings } from './readings';

/**
 * With what is calculated now beside what was measured between shells, where nobody has kept that.
 * Whatever changes the mains side changes such a document: what was measured stands for the side as it was, not as it will be.
 */
export function calibrated(document: RigDocument, { lines }: MainsReadings): RigDocument {
  const { mains } = document;
  if (!mains?.lines?.some(({ shells, against }) => shells && !against)) return document;
  return {
    ...document,
    mains: {
      ...mains,
      lines: mains.lines.map((own): LineGround => {
        const open = lines.find(({ line }) => line === own.line)?.open;
        return own.shells && !own.against && open ? { ...own, against: calculatedThen(open) } : own;
      }),
    },
  };
}
