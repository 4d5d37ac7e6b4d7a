import { spiceText } from '../circuit';
import { asDrawn, lineCircuit } from '../gear';
import type { RigDocument } from './document';
import { rigPath } from './paths';

/**
 * A line of a rig as SPICE text, with its operating point and its response from 20 Hz to 20 kHz.
 * @returns undefined if the rig has no line of that id
 */
export function lineSpice(rig: RigDocument, id: string): string | undefined {
  const line = rigPath(rig, id)?.line;
  if (!line) return undefined;
  const { netlist, channels } = lineCircuit(asDrawn(line));
  return spiceText(netlist, {
    title: `${rig.name}: ${line.name}`,
    analyses: (node) => [
      '.op',
      '.ac dec 10 20 20000',
      `.print ac ${channels.map(({ hot, cold }) => `vm(${node(hot)},${node(cold)})`).join(' ')}`,
    ],
  }).text;
}
