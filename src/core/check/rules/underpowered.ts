import { finding, heldAgainst, needsWords, quantity, restsOn, type Rule } from '../case';

export const underpowered: Rule = {
  code: 'underpowered',
  judge: (at) =>
    at.supplies
      .filter(({ state }) => state === 'low')
      .map(({ stake, volts, pins }) =>
        finding({
          code: 'underpowered',
          severity: 'watch',
          part: stake.part,
          what: `${stake.what} underpowered`.replace(/^the /, ''),
          why:
            `${quantity(volts, 'V')}, ${needsWords(stake.needs)}. It works, with less headroom and perhaps more noise.` +
            (volts < pins - 0.5 ? ` One pin reads ${quantity(pins, 'V')}: one leg feeds for two.` : ''),
          numbers: [
            { label: `Voltage, ${stake.contacts}`, value: volts, unit: 'V', limit: heldAgainst(stake.needs) },
            ...(volts < pins - 0.5 ? [{ label: 'Better pin', value: pins, unit: 'V' as const }] : []),
          ],
          basis: `calculation; ${restsOn(stake.needs)}`,
          look: 'A feed of 48 V, or a fresh battery where it has one.',
        }),
      ),
};
