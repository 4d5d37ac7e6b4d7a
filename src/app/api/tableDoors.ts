import { NextResponse, type NextRequest } from 'next/server';
import type { KitItem } from '@/core/kit';
import type { RigDocument, SavedRig } from '@/core/rig';
import { fileName } from '@/core/tables/fileName';
import { theStore } from '@/store/database';
import { loadKit } from '@/store/kit';
import { loadRig, saveRig } from '@/store/rigs';
import { applied, download, handled, notFound, sameOrigin, tableBody } from './handled';

type Context = { params: Promise<{ id: string }> };

/** A table of a rig's lines: how it is written, and what reading one would do. */
interface LineTable {
  /** What the file is called, after the rig. */
  called: string;
  write: (document: RigDocument, query: URLSearchParams) => string;
  /** @returns the rig that it would make, and what is answered about its rows */
  read: (document: RigDocument, kit: readonly KitItem[], text: string) => { document: RigDocument; answer: object };
}

async function rigOf({ params }: Context): Promise<SavedRig> {
  const { id } = await params;
  const rig = loadRig(theStore(), id);
  if (!rig) throw notFound(`rig ${id}`);
  return rig;
}

/** GET hands a table out as CSV; POST says what each row of one would do, and with `?apply=REVISION` does it. */
export const tableDoors = ({ called, write, read }: LineTable) => ({
  GET: (request: NextRequest, context: Context) =>
    handled(async () => {
      const { document } = await rigOf(context);
      return download(
        write(document, request.nextUrl.searchParams),
        'text/csv',
        fileName(`${document.name} ${called}`, 'csv'),
      );
    }),
  POST: (request: NextRequest, context: Context) =>
    handled(async () => {
      sameOrigin(request);
      const rig = await rigOf(context);
      const { document, answer } = read(rig.document, loadKit(theStore()), await tableBody(request));
      const revision = applied(request);
      if (revision === undefined) return NextResponse.json({ ...answer, applied: false });
      const saved = saveRig(theStore(), rig.id, revision, document)!;
      return NextResponse.json({ ...answer, applied: true, revision: saved.revision });
    }),
});
