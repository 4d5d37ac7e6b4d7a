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
/** A capsule with a wire of its own for power drives its output through this (common practice). */
const FOLLOWER = 1000;

export const electretConnectors: ChoiceSpec = connectorChoice([
  ['ts35', '3.5 mm TS'],
  ['trs35-both', '3.5 mm TRS, same signal on tip and ring'],
  ['trs35-tip', '3.5 mm TRS, signal on the tip alone'],
  ['trrs35', '3.5 mm TRRS headset plug (CTIA), microphone on the sleeve'],
  ['trrs35-omtp', '3.5 mm TRRS headset plug (OMTP), microphone on the second ring'],
  ['mini-xlr', 'mini XLR, signal on pin 3'],
]);

/** The connector without what is said about its wiring. */
export const electretPlug = (connector: string): ConnectorId =>
  (connector === 'mini-xlr' ? connector : connector.replace(/-.*/, '')) as ConnectorId;

/** Hot contacts, common, and the contact that carries power by itself, of the plug an electret comes with. */
export function electretContacts(connector: string): { hot: Contact[]; common: Contact; power?: Contact } {
  if (connector === 'trrs35') return { hot: ['S'], common: 'R2' };
  if (connector === 'trrs35-omtp') return { hot: ['R2'], common: 'S' };
  if (connector === 'mini-xlr') return { hot: ['3'], common: '1', power: '2' };
  return {
    hot: connector === 'trs35-both' ? ['T', 'R'] : ['T'],
    common: 'S',
    ...(connector === 'trs35-tip' && { power: 'R' }),
  };
}

/** What people call the contacts an electret uses. */
export const contactName = (contact: Contact): string =>
  (({ S: 'the sleeve', R2: 'the second ring', R: 'the ring', '2': 'pin 2', '3': 'pin 3' }) as Record<string, string>)[
    contact
  ] ?? 'the tip';

/** A field-effect transistor sinking a constant current from `drain` to `source`; 1 V of signal across its rated load. */
export function buildCapsule(bench: Bench, drain: string, source: string): void {
  bench.load('capsule', drain, source, bench.value('current'), KNEE);
  bench.resistor('capsule.output', bench.node('drain'), source, DRAIN);
  // Behind a capacitor, so that the output resistance takes part in the signal and not in the feed.
  bench.capacitor('capsule.coupling', drain, bench.node('drain'), 10e-6);
  bench.signalCurrent('signal', source, bench.node('drain'), 1 / RATED_LOAD + 1 / DRAIN);
}

/** A capsule that takes its power on one wire and drives another. */
export function buildThreeWire(bench: Bench, power: string, output: string, common: string): void {
  bench.load('capsule', power, common, bench.value('current'), KNEE);
  bench.voltage('signal', bench.node('drive'), common, 0, 1);
  bench.resistor('output', bench.node('drive'), bench.node('coupled'), FOLLOWER);
  bench.capacitor('coupling', output, bench.node('coupled'), 10e-6);
}
