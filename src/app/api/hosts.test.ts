import { isOwnHost } from './hosts';

test('the names of this machine, with any port or none', () => {
  for (const own of ['127.0.0.1:3000', '127.0.0.1', 'localhost:65535', 'LOCALHOST', '[::1]:3000', '[::1]'])
    expect([own, isOwnHost(own)]).toEqual([own, true]);
});

test('no other, however it looks', () => {
  const others = [
    'evil.example',
    'evil.example:3000',
    '127.0.0.1.evil.example',
    'localhost.evil.example:80',
    '',
    '0.0.0.0',
    '127.0.0.1:80:80',
    '@127.0.0.1',
    '192.168.1.7:3000',
  ];
  for (const other of [...others, null]) expect([other, isOwnHost(other)]).toEqual([other, false]);
});

test('names that whoever runs it has named', () => {
  process.env.INLET_CHECK_HOSTS = 'stage.lan,desk.lan';
  expect(isOwnHost('desk.lan:443')).toBe(true);
  expect(isOwnHost('lan')).toBe(false);
  delete process.env.INLET_CHECK_HOSTS;
  expect(isOwnHost('desk.lan:443')).toBe(false);
});
