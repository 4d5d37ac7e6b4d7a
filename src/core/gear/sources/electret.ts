import type { Bench } from '../bench';
import type { ConnectorId, Contact } from '../connectors';
import type { ChoiceSpec } from '../figures';
import { connectorChoice } from '../shared';

/** The transistor of an electret capsule leaves its flat range over about this much. */
const KNEE = 0.1;
/** Its own output resistance beside the load. */
const DRAIN = 22e3;
/** Load for which makers state the sensitivity (common practice). */
const RATED_LOAD = 2200;

export const electretConnectors: ChoiceSpec = connectorChoice([
  ['ts35', 'mini-jack TS'],
  ['trs35-both', 'mini-jack TRS, same signal on tip and ring'],
  ['trrs35', 'mini-jack TRRS for a phone, microphone on the sleeve'],
  ['trrs35-omtp', 'mini-jack TRRS of the older order, microphone on the second ring'],
]);

/** The connector without what is said about its wiring. */
export const electretPlug = (connector: string): ConnectorId => connector.replace(/-.*/, '') as ConnectorId;

/** Hot contacts and common of the plug an electret comes with. */
export function electretContacts(connector: string): { hot: Contact[]; common: Contact } {
  if (connector === 'trrs35') return { hot: ['S'], common: 'R2' };
  if (connector === 'trrs35-omtp') return { hot: ['R2'], common: 'S' };
  return { hot: connector === 'trs35-both' ? ['T', 'R'] : ['T'], common: 'S' };
}

/** A field-effect transistor sinking a constant current from `drain` to `source`; 1 V of signal across its rated load. */
export function buildCapsule(bench: Bench, drain: string, source: string): void {
  bench.load('capsule', drain, source, bench.value('current'), KNEE);
  bench.resistor('capsule.output', bench.node('drain'), source, DRAIN);
  // Behind a capacitor, so that the output resistance takes part in the signal and not in the feed.
  bench.capacitor('capsule.coupling', drain, bench.node('drain'), 10e-6);
  bench.signalCurrent('signal', source, bench.node('drain'), 1 / RATED_LOAD + 1 / DRAIN);
}
