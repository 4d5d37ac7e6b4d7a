import { LOST, startWorker } from './workerClient';

type Question = { ticket: number; ask: 'rig' | 'line'; n: number };
type Answer = { ticket: number; ask: string; n?: number; message?: string };

/** Workers that do what a test says; each remembers what it was sent. */
class Fake {
  static made: Fake[] = [];
  onmessage?: (event: { data: Answer }) => void;
  onerror?: () => void;
  onmessageerror?: () => void;
  sent: Question[] = [];
  dead = false;
  constructor() {
    Fake.made.push(this);
  }
  postMessage(question: Question) {
    this.sent.push(question);
  }
  terminate() {
    this.dead = true;
  }
  answer({ ticket, ask, n }: Question) {
    this.onmessage!({ data: { ticket, ask, n } });
  }
}
const last = () => Fake.made.at(-1)!;
const desk = () =>
  startWorker<Question, Answer>(() => new Fake() as unknown as Worker, {
    limit: ({ ask }) => (ask === 'rig' ? 1000 : 100),
    primes: ({ ask }) => ask === 'rig',
  });

beforeEach(() => {
  Fake.made = [];
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

test('each question gets its own answer', async () => {
  const { ask } = desk();
  const answers = Promise.all([ask({ ask: 'line', n: 1 }), ask({ ask: 'line', n: 2 })]);
  const { sent } = last();
  last().answer(sent[0]);
  last().answer(sent[1]);
  expect((await answers).map(({ n }) => n)).toEqual([1, 2]);
  jest.advanceTimersByTime(10_000);
  expect(Fake.made).toHaveLength(1);
});

test.each<[string, (worker: Fake) => void]>([
  ['says nothing any more', () => jest.advanceTimersByTime(100)],
  ['breaks', (worker) => worker.onerror!()],
  ['answers what cannot be read', (worker) => worker.onmessageerror!()],
])('a worker that %s is replaced, and all that it owed is asked of the next', async (_, die) => {
  const { ask } = desk();
  const answers = Promise.all([ask({ ask: 'line', n: 1 }), ask({ ask: 'line', n: 2 })]);
  const first = last();
  die(first);
  expect([first.dead, Fake.made.length]).toEqual([true, 2]);
  expect(last().sent).toEqual(first.sent);
  for (const question of last().sent) last().answer(question);
  expect((await answers).map(({ n }) => n)).toEqual([1, 2]);
});

test('what later questions rest on is told the next worker first, and answered to nobody twice', async () => {
  const { ask } = desk();
  const rig = ask({ ask: 'rig', n: 7 });
  last().answer(last().sent[0]);
  await rig;
  const line = ask({ ask: 'line', n: 1 });
  last().onerror!();
  expect(last().sent.map(({ ask: what, n }) => [what, n])).toEqual([
    ['rig', 7],
    ['line', 1],
  ]);
  last().answer(last().sent[0]);
  last().answer(last().sent[1]);
  expect(await line).toMatchObject({ ask: 'line', n: 1 });
});

test('what two workers were lost over is told as failed; what comes after is asked all the same', async () => {
  const { ask } = desk();
  const [bad, good] = [ask({ ask: 'line', n: 1 }), ask({ ask: 'line', n: 2 })];
  last().onerror!();
  jest.advanceTimersByTime(100);
  expect(await bad).toMatchObject({ ask: 'failed', message: LOST });
  expect(last().sent.map(({ n }) => n)).toEqual([2]);
  last().answer(last().sent[0]);
  expect(await good).toMatchObject({ n: 2 });
});

test('time counts from when a question is next in turn, and as long as its sort may take', async () => {
  const { ask } = desk();
  const answers = [ask({ ask: 'rig', n: 1 }), ask({ ask: 'line', n: 2 })];
  jest.advanceTimersByTime(900);
  last().answer(last().sent[0]);
  jest.advanceTimersByTime(99);
  expect(Fake.made).toHaveLength(1);
  last().answer(last().sent[1]);
  await Promise.all(answers);
  jest.advanceTimersByTime(5000);
  expect(Fake.made).toHaveLength(1);
});

test('a late answer of a worker that was given up is nobody’s', async () => {
  const { ask } = desk();
  const line = ask({ ask: 'line', n: 1 });
  const first = last();
  jest.advanceTimersByTime(100);
  first.onmessage!({ data: { ticket: 1, ask: 'line', n: 666 } });
  last().answer(last().sent[0]);
  expect(await line).toMatchObject({ n: 1 });
});

test('where no worker can be started, every question is answered with that', async () => {
  const { ask } = startWorker<Question, Answer>(() => {
    throw new Error('not here');
  });
  expect(await ask({ ask: 'line', n: 1 })).toMatchObject({ ask: 'failed', message: LOST });
});

test('one that breaks as it starts is not started over and over while nobody asks; the next question tries again', async () => {
  const { ask } = desk();
  const rig = ask({ ask: 'rig', n: 7 });
  last().answer(last().sent[0]);
  await rig;
  last().onerror!();
  expect(Fake.made).toHaveLength(1);
  const line = ask({ ask: 'line', n: 1 });
  expect(last().sent.map(({ n }) => n)).toEqual([7, 1]);
  last().answer(last().sent[1]);
  expect(await line).toMatchObject({ n: 1 });
});

test('stopped, it is silent', () => {
  const { ask, stop } = desk();
  void ask({ ask: 'line', n: 1 });
  stop();
  jest.advanceTimersByTime(10_000);
  expect(Fake.made.map(({ dead }) => dead)).toEqual([true]);
});
