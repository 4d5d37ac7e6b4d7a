import type { Seconds } from '../../units';
import type { Disturbance } from './disturbance';
import { observer } from './features';
import type { Frames } from './frames';
import { evidenceOf, isClicking, nameOf, nameOfAir, nameOfGain, runsEvenly } from './naming';
import type { Quiet } from './quiet';
import type { Segments } from './spectrum';
import { rateOf } from './ticking';

/**
 * Names what a recording has beside its floor. The limits were set on made-up recordings of each sort and are held
 * against others (tests/recordings).
 */
export function disturbancesOf(
  frames: Frames,
  quiet: Quiet,
  segments: Segments,
  samplesPerFrame: number,
  clickFrames: readonly number[],
): Disturbance[] {
  const clicks = clicksOf(quiet, clickFrames, frames.seconds);
  if (quiet.others.length === 0) return withTicking(clicks, clickFrames, frames.seconds);
  const see = observer(frames, quiet, segments, samplesPerFrame, clickFrames);
  const all = see(quiet.others);
  const everywhere =
    runsEvenly(all) || isClicking(all)
      ? undefined
      : (nameOfGain(all, quiet.others, frames.count) ?? nameOfAir(all, frames.count));
  const named = quiet.others.map((span): Disturbance => {
    const own = quiet.others.length > 1 ? see([span]) : all;
    const code = everywhere ?? nameOf(own, all, span, quiet.others.length);
    return {
      code,
      from: span.from * frames.seconds,
      to: span.to * frames.seconds,
      evidence: evidenceOf(code, everywhere ? all : own),
    };
  });
  // A gain that jumps clicks by itself.
  const found = joined([...named, ...(everywhere ? [] : clicks)].sort((a, b) => a.from - b.from));
  return withTicking(found, clickFrames, frames.seconds).slice(0, MOST_TOLD);
}

/** Clicks of which one follows the other at a steady rate are no bad contact. */
function withTicking(found: Disturbance[], clickFrames: readonly number[], seconds: Seconds): Disturbance[] {
  const crackles = found.filter(({ code }) => code === 'crackle');
  const every = rateOf(
    clickFrames.map((frame) => frame * seconds).filter((at) => crackles.some(({ from, to }) => at >= from && at < to)),
  );
  if (every === undefined) return found;
  return found.map((each) =>
    each.code === 'crackle' ? { ...each, code: 'ticking', evidence: `one click every ${every.toFixed(2)} s` } : each,
  );
}

/** Clicks so short that no frame stands out. */
function clicksOf({ taken }: Quiet, clickFrames: readonly number[], seconds: Seconds): Disturbance[] {
  return clickFrames
    .filter((frame) => !taken[frame])
    .map((frame) => ({
      code: 'crackle',
      from: Math.max(0, frame - 1) * seconds,
      to: (frame + 2) * seconds,
      evidence: '1 click',
    }));
}

/** More than these are not told one by one. */
const MOST_TOLD = 400;

/** Neighbours of one sort that follow within a twentieth of a second are one. */
function joined(list: readonly Disturbance[]): Disturbance[] {
  const out: Disturbance[] = [];
  for (const each of list) {
    const last = out.at(-1);
    if (last?.code === each.code && each.from - last.to < 0.05) last.to = each.to;
    else out.push({ ...each });
  }
  return out;
}
