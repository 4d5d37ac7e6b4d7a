import { CircuitError } from '../circuit';
import { schoolsOf, type InletRef, type RigDocument } from '../rig/document';
import { rigPath } from '../rig/paths';
import { duplicateLine, freeInlets } from '../rig/rigEdits';
import { judgeLine } from '../check/check';
import { rankOf } from '../check/finding';

/** How good an inlet is for a line as its switch stands: better is larger. */
interface Rating {
  verdict: number;
  /** Its feed is off, or the line takes it. */
  quiet: number;
  /** On the device that the first one is on. */
  near: number;
}

/**
 * The free inlet that a second line like one of a rig is best off on, without turning any switch: by its verdict there,
 * then where no feed is on that it does not need, then on the same device; of inlets that are as good the first.
 * @returns undefined if no inlet is free or there is no such line
 */
export function bestFreeInlet(document: RigDocument, line: string): InletRef | undefined {
  const home = rigPath(document, line)?.inlet.device;
  if (home === undefined) return undefined;
  const known = new Map<string, Rating | undefined>();
  let best: { to: InletRef; rating: Rating } | undefined;
  for (const { to, inlet, switch: of } of freeInlets(document)) {
    const { name: _name, ...part } = inlet;
    const key = JSON.stringify([to.device, part, of?.offers]);
    if (!known.has(key)) known.set(key, ratingOf(document, line, to, home));
    const rating = known.get(key);
    if (rating && (!best || isBetter(rating, best.rating))) best = { to, rating };
  }
  return best?.to;
}

const isBetter = (a: Rating, b: Rating): boolean => (a.verdict - b.verdict || a.quiet - b.quiet || a.near - b.near) > 0;

function ratingOf(document: RigDocument, line: string, to: InletRef, home: string): Rating | undefined {
  const next = duplicateLine(document, line, to);
  const made = next.lines.find(({ id }) => !document.lines.some((other) => other.id === id));
  const path = made && rigPath(next, made.id);
  if (!path) return undefined;
  try {
    const { verdict, findings } = judgeLine(path.line, schoolsOf(document));
    return {
      verdict: rankOf(verdict),
      quiet: Number(findings.every(({ code }) => code !== 'feed-not-needed')),
      near: Number(to.device === home),
    };
  } catch (problem) {
    if (problem instanceof CircuitError) return undefined;
    throw problem;
  }
}
