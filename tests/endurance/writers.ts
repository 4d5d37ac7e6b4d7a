import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';

/** Something that was acknowledged, and how to see that it is still there. */
export interface Acknowledged {
  kind: string;
  what: string;
  /** @returns whether it is there */
  check: (get: (path: string) => Promise<unknown>) => Promise<boolean>;
}

export interface Client {
  send: (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<{ status: number; body: never }>;
}

/** One sort of write; undefined where it was not acknowledged. */
export type Writer = (client: Client, n: number) => Promise<Acknowledged | undefined>;

const made = (status: number): boolean => status === 200 || status === 201;
const photo = Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1]);

/** A second of quiet as a WAV file (RIFF, 16 bits, one channel). */
export function wav(seconds: number): Buffer {
  const bytes = 48_000 * 2 * seconds;
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + bytes, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(48_000, 24);
  head.writeUInt32LE(96_000, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write('data', 36);
  head.writeUInt32LE(bytes, 40);
  return Buffer.concat([head, Buffer.alloc(bytes, 7)]);
}

const level = { power: 1e-8, error: 1e-10 };
/** A measurement as the page sends it. */
export const measurement = () => ({
  line: 'guide',
  who: 'Ida',
  origin: 'file',
  name: `quiet ${randomUUID()}`,
  gain: 40,
  measurement: {
    seconds: 10,
    sampleRate: 48_000,
    reading: {
      ...Object.fromEntries(
        'peakDbfs rmsDbfs bandDbfs quietestDbfs medianDbfs loudestDbfs aWeightedDbfs hissDbfs broadbandDbfs rumbleDbfs'
          .split(' ')
          .map((name) => [name, -80]),
      ),
      crestDb: 12,
      dcOffset: 0,
      mains: null,
      tones: [],
      slopeDbPerOctave: 3,
      clippedRuns: 0,
      zeroRuns: 0,
      clicks: 0,
      gate: null,
      usable: true,
      reasons: [],
      patterns: [],
    },
    plain: level,
    weighted: level,
    course: { every: 0.4, levels: [-80, -81] },
    spectrum: [{ hz: 1000, level: -120 }],
  },
});

/** What was read at one inlet of the demo's desk. */
export const inletSheet = (name: string) => ({
  device: 'desk',
  name,
  who: 'Ida',
  means: { meter: { share: 0.005, digits: 0.01 }, load: 6800, loadTolerance: 0.001 },
  readings: [{ inlet: '1', name: 'inlet 1', feed: 'P48', open: [48, 48], loaded: [24, 24] }],
});

export const hunt = (name: string) => ({
  way: 'build-up',
  line: 'guide',
  suspects: ['one', 'two'].map((id) => ({ id, name: `${id} ${name}`, kind: 'charger' })),
});
export const ladder = () => ({
  line: 'guide',
  kind: 'moving coil',
  readings: [{ rung: 'as-used', gain: 40, plain: level, weighted: level }],
});

const demo = () => JSON.parse(readFileSync('demo/lock-nine-mended.json', 'utf8')) as { lines: { id: string }[] };
/** Three lines of it: a sheet of them is there before the next kill. */
const small = () => ({
  ...demo(),
  lines: demo().lines.filter(({ id }) => ['pair-a-left', 'pair-a-right', 'guide'].includes(id)),
  units: [],
});

/** A rig of a writer's own, made when it is first needed. */
function ownRig(name: string): (client: Client) => Promise<string | undefined> {
  let id: string | undefined;
  return async ({ send }) => {
    if (id) return id;
    const { status, body } = await send('POST', '/api/rigs', { ...small(), name });
    if (made(status)) ({ id } = body as { id: string });
    return id;
  };
}

/** Every sort of write there is; each writer has its own rig, so that what it wrote is only changed by itself. */
export function writers(): Record<string, Writer> {
  const rigs = Object.fromEntries(
    ['save', 'note', 'measure', 'sound', 'hunt', 'ladder', 'photo', 'sheet', 'inlets', 'undo'].map((name) => [
      name,
      ownRig(`torture ${name}`),
    ]),
  );
  const on =
    (name: string, write: (client: Client, rig: string, n: number) => Promise<Acknowledged | undefined>): Writer =>
    async (client, n) => {
      const rig = await rigs[name](client);
      return rig === undefined ? undefined : write(client, rig, n);
    };
  const revisionOf = async ({ send }: Client, rig: string): Promise<number | undefined> => {
    const { status, body } = await send('GET', `/api/rigs/${rig}`);
    return status === 200 ? (body as { revision: number }).revision : undefined;
  };
  const logged = (rig: string, text: string, kind: string): Acknowledged => ({
    kind,
    what: text,
    check: async (get) => {
      const page = (await get(`/api/rigs/${rig}/log?text=${encodeURIComponent(text)}`)) as { matching: number };
      return page.matching > 0;
    },
  });
  return {
    'new rig': async ({ send }, n) => {
      const name = `rig ${n} ${randomUUID()}`;
      const { status, body } = await send('POST', '/api/rigs', { ...demo(), lines: [], units: [], name });
      if (!made(status)) return undefined;
      const { id } = body as { id: string };
      return {
        kind: 'new rig',
        what: name,
        check: async (get) => ((await get(`/api/rigs/${id}`)) as { document: { name: string } }).document.name === name,
      };
    },
    'saved rig': on('save', async (client, rig, n) => {
      const basedOn = await revisionOf(client, rig);
      if (basedOn === undefined) return undefined;
      const name = `save ${n} ${randomUUID()}`;
      const { status, body } = await client.send('PUT', `/api/rigs/${rig}`, { basedOn, document: { ...demo(), name } });
      if (!made(status)) return undefined;
      const { revision } = body as { revision: number };
      return {
        kind: 'saved rig',
        what: name,
        check: async (get) =>
          ((await get(`/api/rigs/${rig}/revisions/${revision}`)) as { document: { name: string } }).document.name ===
          name,
      };
    }),
    undo: on('undo', async (client, rig, n) => {
      const basedOn = await revisionOf(client, rig);
      if (basedOn === undefined) return undefined;
      const { status, body } =
        n % 2
          ? await client.send('POST', `/api/rigs/${rig}/steps`, { basedOn, way: 'undo' })
          : await client.send('PUT', `/api/rigs/${rig}`, { basedOn, document: { ...demo(), name: `undo ${n}` } });
      if (!made(status)) return undefined;
      const { revision } = body as { revision: number };
      return {
        kind: 'undo',
        what: `revision ${revision}`,
        check: async (get) => ((await get(`/api/rigs/${rig}`)) as { revision: number }).revision >= revision,
      };
    }),
    'kit item': async ({ send }, n) => {
      const id = `torture-${n}-${randomUUID().slice(0, 8)}`;
      const item = { id, role: 'link', name: id, count: 1 + (n % 9), part: { kind: 'cable' } };
      const { status } = await send('PUT', `/api/kit/${id}`, item, { 'if-none-match': '*' });
      if (!made(status)) return undefined;
      return {
        kind: 'kit item',
        what: id,
        check: async (get) => ((await get(`/api/kit/${id}`)) as { count: number }).count === item.count,
      };
    },
    'cable test': async ({ send }, n) => {
      const label = `cable ${n} ${randomUUID()}`;
      const observations = [{ instrument: 'lamps', at: 'junction 0', seen: '2 lit, 3 lit' }];
      const { status } = await send('POST', '/api/cable-tests', { label, who: 'Ida', connector: 'xlr3', observations });
      if (!made(status)) return undefined;
      return {
        kind: 'cable test',
        what: label,
        check: async (get) => {
          const { tests } = (await get(`/api/cable-tests?label=${encodeURIComponent(label)}`)) as { tests: unknown[] };
          return tests.length === 1;
        },
      };
    },
    'inlet sheet': on('inlets', async ({ send }, rig, n) => {
      const name = `desk ${n} ${randomUUID()}`;
      const { status } = await send('POST', `/api/rigs/${rig}/inlet-sheets`, inletSheet(name));
      if (!made(status)) return undefined;
      return {
        kind: 'inlet sheet',
        what: name,
        check: async (get) => {
          const { sheets } = (await get(`/api/rigs/${rig}/inlet-sheets`)) as { sheets: { name: string }[] };
          return sheets.some((each) => each.name === name);
        },
      };
    }),
    note: on('note', async ({ send }, rig, n) => {
      const text = `note ${n} ${randomUUID()}`;
      const { status } = await send('POST', `/api/rigs/${rig}/log`, { who: 'Ida', text });
      return made(status) ? logged(rig, text, 'note') : undefined;
    }),
    measurement: on('measure', async ({ send }, rig) => {
      const sent = measurement();
      const { status } = await send('POST', `/api/rigs/${rig}/measurements`, sent);
      return made(status) ? logged(rig, sent.name, 'measurement') : undefined;
    }),
    sound: on('sound', async ({ send }, rig, n) => {
      const { status, body } = await send('POST', `/api/rigs/${rig}/measurements`, measurement());
      if (!made(status)) return undefined;
      const { id } = body as { id: number };
      const bytes = wav(1 + (n % 3));
      const path = `/api/rigs/${rig}/measurements/${id}/audio`;
      const { status: kept } = await send('PUT', path, bytes, { 'content-type': 'audio/wav' });
      if (!made(kept)) return undefined;
      return { kind: 'sound', what: path, check: async (get) => bytes.equals((await get(path)) as Buffer) };
    }),
    hunt: on('hunt', async ({ send }, rig, n) => {
      const { status, body } = await send('POST', `/api/rigs/${rig}/hunts`, hunt(String(n)));
      if (!made(status)) return undefined;
      const { id } = body as { id: number };
      const step = { on: ['one'], components: { hum: 0, buzz: 0, tones: 0, hiss: 1e-9 } };
      const { status: told } = await send('POST', `/api/rigs/${rig}/hunts/${id}`, { version: 1, step });
      return {
        kind: 'hunt',
        what: `hunt ${id}`,
        check: async (get) => {
          const { hunts } = (await get(`/api/rigs/${rig}/hunts`)) as {
            hunts: { id: number; hunt: { steps: unknown[] } }[];
          };
          const found = hunts.find((each) => each.id === id);
          return found !== undefined && (!made(told) || found.hunt.steps.length === 1);
        },
      };
    }),
    ladder: on('ladder', async ({ send }, rig) => {
      const { status, body } = await send('POST', `/api/rigs/${rig}/ladders`, ladder());
      if (!made(status)) return undefined;
      const count = (body as { ladders: unknown[] }).ladders.length;
      return {
        kind: 'ladder',
        what: `ladder ${count}`,
        check: async (get) =>
          ((await get(`/api/rigs/${rig}/ladders`)) as { ladders: unknown[] }).ladders.length >= count,
      };
    }),
    photo: on('photo', async ({ send }, rig, n) => {
      const bytes = Buffer.concat([photo, Buffer.alloc(1000 + n, n % 251)]);
      const { status, body } = await send('POST', `/api/rigs/${rig}/photos`, bytes, { 'content-type': 'image/jpeg' });
      if (!made(status)) return undefined;
      const path = `/api/rigs/${rig}/photos/${(body as { photo: string }).photo}`;
      return { kind: 'photo', what: path, check: async (get) => bytes.equals((await get(path)) as Buffer) };
    }),
    'run sheet': on('sheet', async (client, rig, n) => {
      const path = `/api/rigs/${rig}/switching`;
      const { status, body } = await client.send('GET', path);
      if (status !== 200) return undefined;
      const { version } = body as { version: number };
      const report = n % 5 ? { report: 'found', what: { feed: 'desk bank-a', is: n % 2 ? 'P48' : 'off' } } : undefined;
      const told = await client.send('POST', path, {
        version,
        who: 'Jon',
        report: report ?? { report: 'start', from: n % 2 ? 'packed' : 'unknown' },
      });
      if (!made(told.status)) return undefined;
      const next = (told.body as { version: number }).version;
      return {
        kind: 'run sheet',
        what: `version ${next}`,
        check: async (get) => ((await get(path)) as { version: number }).version >= next,
      };
    }),
  };
}
