import * as gear from '../../../tests/lines/gear';
import type { Line, Part, PathLink } from '../gear';
import { wayOf } from './way';

const DESK = { device: 'desk', inlet: '1' };
const way = (source: Part, links: PathLink[], inlet = DESK) =>
  wayOf({ id: 'line', name: 'line', source, links, inlet: { kind: 'three-pin' } } as Line, inlet);
const usual = way(gear.dynamic, [gear.xlr(5)]);

test('what is plugged is a way: another source, cable, connector, fault, piece of the kit or inlet is another one', () => {
  const [cable] = [gear.xlr(5)];
  const others = [
    way(gear.condenser, [cable]),
    way(gear.dynamic, []),
    way(gear.dynamic, [{ ...cable, choices: { ...cable.choices, connector: 'trs635' } }]),
    way(gear.dynamic, [{ ...cable, faults: [{ type: 'open', contact: '2' }] }]),
    way(gear.dynamic, [{ ...cable, item: 'cable-7' }]),
    way(gear.dynamic, [cable], { device: 'desk', inlet: '2' }),
  ];
  expect(new Set([usual, ...others]).size).toBe(7);
});

test('what is turned on the spot, tested, or only known better is not', () => {
  const cable = gear.xlr(5);
  expect(way(gear.dynamic, [{ ...cable, choices: { ...cable.choices, tested: 'yes' } }])).toBe(usual);
  expect(way(gear.ribbon('grounded'), [cable])).toBe(way(gear.ribbon('none'), [cable]));
  const box = gear.activeBox();
  const battery = { ...box, choices: { ...box.choices, battery: 'on' } };
  expect(way(gear.guitar, [battery, cable])).toBe(way(gear.guitar, [box, cable]));
});
