import type { FeedName } from '../standards/feeds';
import type { Ending, SheetOrder } from './report';

/** What somebody wants the rig to be. */
export interface Wanted {
  /** Lines that are to be plugged through. */
  plugged: ReadonlySet<string>;
  /** Of these, the ones that come out first, because something on their way is exchanged. */
  exchanged?: ReadonlySet<string>;
  /** The end at which that is, by line: a microphone at its source, a preamplifier at its inlet; both where none is named. */
  exchangedAt?: Readonly<Record<string, 'stage' | 'desk'>>;
  /** By switch. */
  feeds: Readonly<Record<string, FeedName>>;
  /** Lines whose inlets are open in the end; with any of them, the monitors. */
  open: ReadonlySet<string>;
  /** Devices that lose their power in the end. */
  unpowered?: ReadonlySet<string>;
  /** Lines whose plugs stay as they are. */
  left?: ReadonlySet<string>;
  /** Switches that stay as they are, whatever that is. */
  stuck?: ReadonlySet<string>;
  /** Lines whose settings at the source stay as they are. */
  asIs?: ReadonlySet<string>;
  /** Ends that cannot be moved, as `line end`. */
  fixed?: ReadonlySet<string>;
  /** How harm is ended where its switch, or its supply, cannot be turned off. */
  ending?: Readonly<Record<string, Ending>>;
  /** What there is to be least of: waiting (the default), or walks from place to place. */
  order?: SheetOrder;
}
