import { TWELVE_LINES } from '../../../tests/lists/twelveLines';
import { checkRig } from '../rigcheck';
import { readTyped, withTyped } from '../typed';
import { DEVICE_TEMPLATES, fromTemplate } from './deviceTemplates';
import { emptyRig } from './document';
import { readDocument } from './schema';

test.each(DEVICE_TEMPLATES.map((template) => [template.name, template] as const))(
  '%s is a device that can be kept, with as many inlets and switches as it says',
  (_, template) => {
    const device = fromTemplate(emptyRig('trial'), template);
    const document = readDocument({ ...emptyRig('trial'), devices: [device] });
    expect(document.devices[0].inlets).toHaveLength(template.inlets);
    const switches = template.offers.length ? template.inlets / template.perSwitch : 0;
    expect(document.devices[0].groups).toHaveLength(switches);
    for (const { feed, offers } of document.devices[0].groups) expect([feed, offers]).toEqual(['off', template.offers]);
  },
);

test('two of one have names and ids of their own', () => {
  const [template] = DEVICE_TEMPLATES;
  const rig = { ...emptyRig('trial'), devices: [fromTemplate(emptyRig('trial'), template)] };
  const second = fromTemplate(rig, template);
  expect([second.name, second.id]).toEqual(['Interface 2', 'interface-2']);
});

test('twelve lines on three devices from an empty page: typed in under 400 keys, judged at once', () => {
  const devices = ['Desk', 'Bag recorder', 'Camera'].reduce(
    (rig, name) => ({
      ...rig,
      devices: [
        ...rig.devices,
        fromTemplate(
          rig,
          DEVICE_TEMPLATES.find((each) => each.name === name)!,
        ),
      ],
    }),
    emptyRig('trial'),
  );
  const typed = TWELVE_LINES;
  expect(typed.join('\n').length + typed.length).toBeLessThan(400);
  const found = readTyped(devices, [], typed.join('\n'));
  expect(found.flatMap(({ problem, open }) => [...(problem ? [problem] : []), ...open])).toEqual([]);
  const { document, ids } = withTyped(devices, found);
  expect(ids).toHaveLength(12);
  expect(checkRig(document).lines).toHaveLength(12);
});
