import { transient, type Netlist } from '../circuit';
import type { Line, LineCircuit } from '../gear';
import { schoolsOf, type RigDocument } from '../rig/document';
import { rigPath } from '../rig/paths';
import { setFeed } from '../rig/rigEdits';
import type { FeedName } from '../standards/feeds';
import { comingOn, goingOff, lastPlugged, pluggedLive, pulledLive, voltageAcross } from '../transients';
import { dbu, type Dbfs, type Decibels, type Seconds, type Volts } from '../units';
import { lineResult } from '../check/result';

/** What a line goes through while its feed is switched, and while the same is done wrong. */
export interface ActionCourse {
  action: 'on' | 'off';
  feed: FeedName;
  /** Plugged, muted, then switched. */
  right: OneCourse;
  /** Plugged or pulled with the feed on and its inlet open. */
  wrong: OneCourse;
  /** Gain at the inlet that the step is heard at. */
  gain: Decibels;
}

export interface OneCourse {
  /** Moments over logarithmic time, from `BEGINS` to `ENDS`; between two of them the largest value counts. */
  points: { at: Seconds; source: Volts; inlet: Volts }[];
  /** Most across the source, or on what destroys it. */
  source: Volts;
  /** Most between the amplifier's two sides. */
  inlet: Volts;
  /** That as the peak of a sine after the gain; what is muted is not heard. */
  heard: Dbfs;
}

/** First and last moment that is drawn, in seconds. */
export const BEGINS: Seconds = 1e-5;
export const ENDS: Seconds = 10;
const POINTS = 160;

/**
 * Follows a line while a switch turns on to a feed, or off from it.
 * @returns undefined for a line that is not there, or that the feed does not reach
 */
export function actionCourse(
  document: RigDocument,
  id: string,
  { device, group, feed, action }: { device: string; group: string; feed: FeedName; action: 'on' | 'off' },
): ActionCourse | undefined {
  const set = setFeed(document, device, group, feed);
  const line = rigPath(set, id)?.line;
  const made = line && (action === 'on' ? comingOn(line, line.switch?.ramp) : goingOff(line));
  if (!line || !made) return undefined;
  const step = lineResult(line, schoolsOf(set)).moments?.on;
  const [gain, fullScale] = [step?.gain ?? 0, step?.fullScale ?? 0];
  const course = (circuit: LineCircuit, netlist: Netlist, from: Seconds): OneCourse =>
    courseOf(circuit, netlist, from, gain - fullScale);
  // Whichever end is worse to plug: behind a box with a supply of its own, that is the inlet's.
  const wrong = livePlugs(line, action)
    .map(({ circuit, netlist }) => course(circuit, netlist, 0))
    .reduce((worst, each) => (each.inlet > worst.inlet ? each : worst));
  return {
    action,
    feed,
    gain,
    right: course(made.circuit, made.netlist, action === 'off' ? 1e-3 : 0),
    wrong,
  };
}

function livePlugs(line: Line, action: 'on' | 'off') {
  const { junction, patch } = lastPlugged(line);
  const moved = action === 'on' ? pluggedLive : pulledLive;
  const last = line.links.length;
  return [moved(line, junction, patch), ...(last > 0 ? [moved(line, last, false)] : [])];
}

/** @param from when the action begins; what was before is left out */
function courseOf(circuit: LineCircuit, netlist: Netlist, from: Seconds, over: Decibels): OneCourse {
  const course = transient(netlist, { until: ENDS, tolerance: 3e-3 });
  const source = voltageAcross(circuit, course);
  const channels = circuit.channels.map(({ hot, cold }) => course.volts(hot, cold));
  const rest = channels.map((values) => values[0]);
  const heardAt = (n: number): Volts =>
    channels.reduce(
      (most, values, k) => (Math.abs(values[n] - rest[k]) > Math.abs(most) ? values[n] - rest[k] : most),
      0,
    );
  const samples = Array.from(course.times, (time, n) => ({ at: time - from, source: source[n], inlet: heardAt(n) }));
  const later = samples.filter(({ at }) => at >= 0);
  const peak = (of: 'source' | 'inlet') => later.reduce((most, each) => Math.max(most, Math.abs(each[of])), 0);
  const inlet = peak('inlet');
  return {
    points: overLogarithmicTime(samples),
    source: peak('source'),
    inlet,
    heard: dbu(Math.max(inlet, 1e-9) / Math.SQRT2) + over,
  };
}

type Sample = OneCourse['points'][number];

/** The largest of what happened between two moments; the last one before where nothing did. */
function overLogarithmicTime(samples: readonly Sample[]): Sample[] {
  const moments = Array.from({ length: POINTS }, (_, n) => BEGINS * (ENDS / BEGINS) ** (n / (POINTS - 1)));
  return moments.map((at, n) => {
    const within = samples.filter((each) => each.at > (moments[n - 1] ?? 0) && each.at <= at);
    const last = samples.findLast((each) => each.at <= at) ?? samples[0];
    const most = (of: 'source' | 'inlet'): Volts =>
      within.length ? within.reduce((a, b) => (Math.abs(b[of]) > Math.abs(a[of]) ? b : a))[of] : last[of];
    return { at, source: most('source'), inlet: most('inlet') };
  });
}
