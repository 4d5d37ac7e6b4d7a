import { onlineManager, QueryObserver, type QueryObserverResult } from '@tanstack/react-query';
import { makeQueries, Unanswered, whyNot } from './queries';

/** A server that answers each path in turn with what is given; the last answer stands. Undefined where nobody answers. */
function serverThatSays(...answers: ({ status: number; body: unknown } | undefined)[]) {
  const paths: string[] = [];
  globalThis.fetch = async (path) => {
    paths.push(String(path));
    const answer = answers[Math.min(paths.length, answers.length) - 1];
    if (!answer) throw new TypeError('fetch failed');
    return Response.json(answer.body, { status: answer.status });
  };
  return paths;
}

const fetched = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = fetched;
});

const refusal = { status: 404, body: { error: { code: 'not-found', message: 'There is no such rig.' } } };
const found = { status: 200, body: { name: 'Lock Nine' } };

/** Follows a path as a component would, but asks again at once. @returns each reason that it told, and the last result */
async function follow(path: string) {
  const observer = new QueryObserver(makeQueries(), { queryKey: [path], retryDelay: 0 });
  const said: string[] = [];
  const result = await new Promise<QueryObserverResult>((done) => {
    const stop = observer.subscribe((now) => {
      const why = whyNot(now);
      if (why) said.push(why);
      if (now.status === 'pending') return;
      stop();
      done(now);
    });
  });
  return { said, result };
}

test('a key begins with the path that is read', async () => {
  const paths = serverThatSays(found);
  expect(await makeQueries().fetchQuery({ queryKey: ['/api/rigs/one', 7] })).toEqual({ name: 'Lock Nine' });
  expect(paths).toEqual(['/api/rigs/one']);
});

test('what was refused is told with its status and its words, and not asked again', async () => {
  const paths = serverThatSays(refusal, found);
  const { said, result } = await follow('/api/rigs/none');
  expect(result.error).toMatchObject({ message: 'There is no such rig.', status: 404 });
  expect(said).toContain('There is no such rig.');
  expect(paths).toHaveLength(1);
});

test('what nobody answers is asked until somebody does, with a network or without, and says meanwhile why nothing is known', async () => {
  const paths = serverThatSays(undefined, undefined, undefined, undefined, undefined, found);
  onlineManager.setOnline(false);
  const { said, result } = await follow('/api/rigs/one');
  onlineManager.setOnline(true);
  expect(result.data).toEqual({ name: 'Lock Nine' });
  expect(said).toContain('No connection. This loads by itself when the server is back.');
  expect(whyNot(result)).toBe('');
  expect(paths).toHaveLength(6);
});

test('the reason is that of the last refusal, else of the try that is under way', () => {
  const [refused, away] = [new Unanswered('refused', 409), new Unanswered('away', 503)];
  expect(whyNot({ error: refused, failureReason: away })).toBe('refused');
  expect(whyNot({ error: null, failureReason: away })).toBe('away');
  expect(whyNot({ error: null, failureReason: null })).toBe('');
});
