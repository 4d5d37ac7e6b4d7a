import { inletKind } from '../../gear';
import { finding, isMicrophone, quantity, type Rule } from '../case';
import { feedAt } from '../case';
import { LIVE } from '../../standards/feeds';

export const intercomLine: Rule = {
  code: 'intercom-line',
  judge(at) {
    if (!inletKind(at.line.inlet.kind).intercom) return [];
    const volts = feedAt(at, at.circuit.junctions.length - 1);
    const harm = volts > LIVE && isMicrophone(at.line);
    return [
      finding({
        code: 'intercom-line',
        severity: harm ? 'harm' : 'silent',
        part: 'inlet',
        what: harm ? 'This is a party line, not a microphone inlet' : 'A party line takes intercom stations only',
        why: `It carries ${quantity(volts, 'V')} on pin 2 and nothing on pin 3: no microphone is made for that.${harm ? ' Unplug it.' : ''}`,
        numbers: [{ label: 'Voltage at the inlet', value: volts, unit: 'V' }],
        basis: 'calculation; two-wire intercom: typical',
        look: 'Follow the cable to its stage box and use a microphone inlet.',
      }),
    ];
  },
};
