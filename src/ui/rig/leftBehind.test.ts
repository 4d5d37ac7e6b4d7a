import type { RigDocument, SavedRig } from '@/core/rig';
import { asksBeforeClosing } from '@/ui/shell/useLeaveWarning';
import { know, latest, leaveBehind, saveRig, takeOver } from './leftBehind';

const named = (name: string): RigDocument => ({ format: 'inlet-check', version: 2, name, devices: [], lines: [] });
const [AS_IT_WAS, CHANGED, THEIRS] = [named('as it was'), named('changed'), named('theirs')];
const savedAs = (revision: number, document: RigDocument, id = 'rig'): SavedRig => ({
  id,
  revision,
  savedAt: '2026-05-08T20:00:00Z',
  steps: {},
  document,
});

/** What is sent, in turn, as [basedOn, name]; each is answered by what comes next, or by nobody. */
function server(...answers: ({ status: number; body: object } | undefined)[]) {
  const sent: [number, string][] = [];
  const events = new EventTarget();
  Object.assign(globalThis, {
    document: { hidden: false, addEventListener: () => {}, removeEventListener: () => {} },
    window: events,
    fetch: async (_: string, { body }: { body: string }) => {
      const { basedOn, document } = JSON.parse(body);
      sent.push([basedOn, document.name]);
      const answer = answers[sent.length - 1];
      if (!answer) throw new TypeError('fetch failed');
      return Response.json(answer.body, { status: answer.status });
    },
  });
  const still = async () => {
    for (let n = 0; n < 20; n++) await new Promise((done) => setTimeout(done, 1));
  };
  return { sent, still, warns: asksBeforeClosing, back: () => events.dispatchEvent(new Event('focus')) };
}

const taken = (revision: number) => {
  const { document: _, ...body } = savedAs(revision, CHANGED);
  return { status: 200, body };
};
const refused = (current: SavedRig) => ({ status: 409, body: { error: { code: 'stale', message: 'older', current } } });

const { fetch } = globalThis;
afterEach(() => {
  takeOver('rig');
  globalThis.fetch = fetch;
  for (const name of ['window', 'document']) Reflect.deleteProperty(globalThis, name);
});

test('what no place takes over is sent on, and known as saved', async () => {
  const { sent, still, warns } = server(taken(2));
  leaveBehind({ base: savedAs(1, AS_IT_WAS), document: CHANGED });
  expect(warns()).toBe(true);
  await still();
  expect(sent).toEqual([[1, 'changed']]);
  expect(warns()).toBe(false);
  expect(latest(savedAs(1, AS_IT_WAS))).toMatchObject({ revision: 2, document: CHANGED });
  expect(takeOver('rig')).toBeUndefined();
});

test('what the next place takes over is not sent from here', async () => {
  const { sent, still, warns } = server();
  leaveBehind({ base: savedAs(1, AS_IT_WAS), document: CHANGED });
  expect(takeOver('rig')).toMatchObject({ document: CHANGED });
  await still();
  expect(sent).toEqual([]);
  expect(warns()).toBe(false);
});

test('what is on its way is waited for: the same is not sent twice, the next change upon it', async () => {
  for (const [document, then] of [
    [AS_IT_WAS, []],
    [CHANGED, [[3, 'changed']]],
  ] as const) {
    const { sent, still } = server(taken(3), taken(4));
    const sending = saveRig('rig', AS_IT_WAS, 2);
    leaveBehind({ base: savedAs(2, THEIRS), document, sending });
    await still();
    expect(sent).toEqual([[2, 'as it was'], ...then]);
    expect(takeOver('rig')).toBeUndefined();
  }
});

test('nobody answers: it is tried again, and what had arrived is not taken for somebody else’s', async () => {
  const { sent, still, back, warns } = server(undefined, refused(savedAs(6, CHANGED)));
  leaveBehind({ base: savedAs(5, AS_IT_WAS), document: CHANGED });
  await still();
  expect([sent.length, warns()]).toEqual([1, true]);
  back();
  await still();
  expect(sent).toEqual([
    [5, 'changed'],
    [5, 'changed'],
  ]);
  expect([takeOver('rig'), warns()]).toEqual([undefined, false]);
});

test('an earlier change whose answer got lost is gone on from', async () => {
  const { sent, still } = server(refused(savedAs(8, AS_IT_WAS)), taken(9));
  leaveBehind({ base: savedAs(7, THEIRS), document: CHANGED, unanswered: JSON.stringify(AS_IT_WAS) });
  await still();
  expect(sent).toEqual([
    [7, 'changed'],
    [8, 'changed'],
  ]);
});

test('what somebody else has changed is left to who opens the rig again, and the browser asks before it is closed', async () => {
  const { sent, still, warns } = server(refused(savedAs(10, THEIRS)));
  leaveBehind({ base: savedAs(9, AS_IT_WAS), document: CHANGED });
  await still();
  expect([sent.length, warns()]).toEqual([1, true]);
  expect(takeOver('rig')).toMatchObject({ base: { revision: 9 }, document: CHANGED });
});

test('a page that came with an older revision gets the one that is known, and never the other way', () => {
  server();
  know(savedAs(20, CHANGED, 'known'));
  expect(latest(savedAs(19, AS_IT_WAS, 'known')).document).toBe(CHANGED);
  expect(latest(savedAs(20, AS_IT_WAS, 'known')).document).toBe(AS_IT_WAS);
  expect(latest(savedAs(21, THEIRS, 'known')).document).toBe(THEIRS);
  expect(latest(savedAs(1, THEIRS, 'other')).document).toBe(THEIRS);
});
