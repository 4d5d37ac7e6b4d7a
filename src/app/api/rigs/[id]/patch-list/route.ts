import { NextResponse, type NextRequest } from 'next/server';
import { patchList, readPatchList } from '@/core/tables';
import { fileName } from '@/core/tables/fileName';
import { theStore } from '@/store/database';
import { loadKit } from '@/store/kit';
import { loadRig, saveRig } from '@/store/rigs';
import { applied, handled, download, notFound, sameOrigin, tableBody } from '../../../handled';

type Context = { params: Promise<{ id: string }> };

export const dynamic = 'force-dynamic';

/** The rig's patch list as CSV. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    const rig = loadRig(theStore(), id);
    if (!rig) throw notFound(`rig ${id}`);
    return download(patchList(rig.document), 'text/csv', fileName(`${rig.document.name} patch list`, 'csv'));
  });

/** Says what each row of a patch list would do; with `?apply=REVISION` does it, as a change to that revision. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    const store = theStore();
    const rig = loadRig(store, id);
    if (!rig) throw notFound(`rig ${id}`);
    const { rows, document } = readPatchList(rig.document, loadKit(store), await tableBody(request));
    const revision = applied(request);
    if (revision === undefined) return NextResponse.json({ rows, applied: false });
    const saved = saveRig(store, id, revision, document)!;
    return NextResponse.json({ rows, applied: true, revision: saved.revision });
  });
