import type { KitItem } from '@/core/kit';
import { changeItem } from './changeItem';

/** A server with one item, that somebody else changes between reading and writing, so many times. */
function serverWith(quicker: number) {
  let [revision, count] = [1, 5];
  const written: number[] = [];
  global.fetch = jest.fn(async (_path, { method, headers, body } = {} as RequestInit) => {
    if (method !== 'PUT') {
      const answer = Response.json({ id: 'a', count }, { headers: { etag: `"${revision}"` } });
      if (quicker-- > 0) [revision, count] = [revision + 1, count + 10];
      return answer;
    }
    if ((headers as Record<string, string>)['if-match'] !== `"${revision}"`)
      return Response.json({ error: { code: 'stale', message: 'somebody else changed it' } }, { status: 412 });
    count = (JSON.parse(body as string) as KitItem).count;
    written.push(count);
    return Response.json({}, { status: 200 });
  }) as typeof fetch;
  return written;
}
const oneMore = (from: KitItem): KitItem => ({ ...from, count: from.count + 1 });

test('a change is made to the item as somebody else has left it meanwhile', async () => {
  const written = serverWith(2);
  expect(await changeItem('a', oneMore)).toEqual({ item: { id: 'a', count: 26 } });
  expect(written).toEqual([26]);
});

test('where somebody else is quicker again and again, that is told, and nothing is written', async () => {
  const written = serverWith(Infinity);
  expect(await changeItem('a', oneMore)).toEqual({ failed: 'somebody else changed it' });
  expect(written).toEqual([]);
});

test('what is refused for another reason is not tried again', async () => {
  const fetched = jest.fn(async (_path, { method } = {} as RequestInit) =>
    method === 'PUT'
      ? Response.json({ error: { code: 'bad', message: 'no' } }, { status: 400 })
      : Response.json({ id: 'a', count: 1 }),
  );
  global.fetch = fetched as unknown as typeof fetch;
  expect(await changeItem('a', oneMore)).toEqual({ failed: 'no' });
  expect(fetched).toHaveBeenCalledTimes(2);
});
