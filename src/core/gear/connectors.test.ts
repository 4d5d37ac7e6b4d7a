import { CONNECTORS, mate, type ConnectorId } from '.';

const all = Object.keys(CONNECTORS) as ConnectorId[];

describe('what touches what', () => {
  test.each(all)('%s goes into its own kind, contact for contact', (id) => {
    expect(mate(id, id)).toEqual(Object.fromEntries(CONNECTORS[id].contacts.map((contact) => [contact, contact])));
  });

  test('plugs of one size do not go into sockets of another', () => {
    for (const plug of all)
      for (const socket of all)
        expect(mate(plug, socket) !== undefined).toBe(CONNECTORS[plug].size === CONNECTORS[socket].size);
  });

  // Common practice: the sleeve of a short plug is as long as all the contacts it replaces.
  test.each<[ConnectorId, ConnectorId, Record<string, string>]>([
    ['ts35', 'trs35', { T: 'T', R: 'S', S: 'S' }],
    ['ts635', 'trs635', { T: 'T', R: 'S', S: 'S' }],
    ['trs635', 'ts635', { T: 'T', S: 'S' }],
    ['trs35', 'trrs35', { T: 'T', R1: 'R', R2: 'S', S: 'S' }],
    ['trrs35', 'trs35', { T: 'T', R: 'R1', S: 'R2' }],
    ['ts35', 'trrs35', { T: 'T', R1: 'S', R2: 'S', S: 'S' }],
    ['trrs35', 'ts35', { T: 'T', S: 'R2' }],
  ])('%s in %s', (plug, socket, touching) => expect(mate(plug, socket)).toEqual(touching));

  test('every contact named by a joint exists on both sides', () => {
    for (const plug of all)
      for (const socket of all)
        for (const [own, other] of Object.entries(mate(plug, socket) ?? {})) {
          expect(CONNECTORS[socket].contacts).toContain(own);
          expect(CONNECTORS[plug].contacts).toContain(other);
        }
  });

  test.each(all)('%s: reference and pairs are contacts it has', (id) => {
    const { contacts, reference, pairs } = CONNECTORS[id];
    expect(contacts).toContain(reference);
    for (const contact of pairs.flat()) expect(contacts).toContain(contact);
  });
});
