import { EventEmitter } from 'node:events';
import { existsSync, readFileSync } from 'node:fs';
import { emptyRig } from '@/core/rig';
import { heavily, soon, ThreadTrouble } from './pool';

interface Task {
  given: { body?: { name: string } };
  signal: AbortSignal;
  end: (value: unknown) => void;
}
const mockTasks: Task[] = [];
let mockQueue = 0;

jest.mock('node:fs', () => ({ ...jest.requireActual<object>('node:fs'), existsSync: jest.fn(() => true) }));
jest.mock('piscina', () => ({
  __esModule: true,
  default: class extends EventEmitter {
    get queueSize() {
      return mockQueue;
    }
    run(given: Task['given'], { signal }: { signal: AbortSignal }) {
      return new Promise((end, fail) => {
        mockTasks.push({ given, signal, end });
        signal.addEventListener('abort', () => fail(Object.assign(new Error('aborted'), { name: 'AbortError' })));
      });
    }
  },
}));

const asked = (name: string, leaves?: AbortSignal) => heavily('check', { body: emptyRig(name), brief: true }, leaves);
const answer = { json: '{}' };

beforeEach(() => {
  mockTasks.length = 0;
  mockQueue = 0;
  (globalThis as { inletCheckThreads?: unknown }).inletCheckThreads = undefined;
  (existsSync as jest.Mock).mockReturnValue(true);
});

test('what is asked twice is computed once, while it runs and afterwards', async () => {
  const both = [asked('a'), asked('a')];
  expect(mockTasks).toHaveLength(1);
  mockTasks[0].end(answer);
  expect(await Promise.all(both)).toEqual([answer, answer]);
  expect(await asked('a')).toEqual(answer);
  expect(mockTasks).toHaveLength(1);
});

test('it goes on while anybody waits, and is given up when the last one leaves', async () => {
  const [first, second] = [new AbortController(), new AbortController()];
  const both = [asked('a', first.signal), asked('a', second.signal)];
  first.abort();
  expect(mockTasks[0].signal.aborted).toBe(false);
  second.abort();
  expect(mockTasks[0].signal.aborted).toBe(true);
  for (const each of both) await expect(each).rejects.toThrow(ThreadTrouble);
  void asked('a').catch(() => {});
  expect(mockTasks).toHaveLength(2);
});

test('where too much waits already, that is said', async () => {
  mockQueue = 32;
  await expect(asked('a')).rejects.toMatchObject({ code: 'busy' });
  mockQueue = 0;
  void asked('a').catch(() => {});
  expect(mockTasks).toHaveLength(1);
});

test('only so many answers are kept', async () => {
  for (let n = 0; n < 20; n++) {
    const each = asked(`rig ${n}`);
    mockTasks.at(-1)!.end(answer);
    await each;
  }
  await asked('rig 19');
  expect(mockTasks).toHaveLength(20);
  void asked('rig 0').catch(() => {});
  expect(mockTasks).toHaveLength(21);
});

test('without a build it runs where it is asked for, with the same answer', async () => {
  (existsSync as jest.Mock).mockReturnValue(false);
  const rig = JSON.parse(readFileSync('demo/lock-nine-mended.json', 'utf8')) as object;
  const found = await heavily('check', { body: rig, brief: true });
  expect(JSON.parse((found as { json: string }).json).lines).toHaveLength(24);
  expect(await heavily('check', { body: { format: 'x' }, brief: true })).toMatchObject({ refusals: expect.any(Array) });
});

test('who cannot wait gets what is there in time, and nothing where it is late or fails', async () => {
  expect(await soon(Promise.resolve('in time'), 1000)).toBe('in time');
  expect(await soon(new Promise(() => undefined), 1)).toBeUndefined();
  expect(await soon(Promise.reject(new ThreadTrouble('busy', 'too much')), 1000)).toBeUndefined();
});
