import { NextResponse, type NextRequest } from 'next/server';
import { gridFrom, inputList, readInputList } from '@/core/tables/inputList';
import { fileName } from '@/core/tables/fileName';
import { theStore } from '@/store/database';
import { loadKit } from '@/store/kit';
import { loadRig, saveRig } from '@/store/rigs';
import { applied, download, handled, notFound, sameOrigin, tableBody } from '../../../handled';

type Context = { params: Promise<{ id: string }> };

export const dynamic = 'force-dynamic';

/** The rig's lines as an input list (CSV). */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    const rig = loadRig(theStore(), id);
    if (!rig) throw notFound(`rig ${id}`);
    return download(inputList(rig.document), 'text/csv', fileName(`${rig.document.name} input list`, 'csv'));
  });

/** Says what each row of an input list would become; with `?apply=REVISION` adds its lines, as a change to that revision. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    const store = theStore();
    const rig = loadRig(store, id);
    if (!rig) throw notFound(`rig ${id}`);
    const { columns, rows, left, document } = readInputList(
      rig.document,
      loadKit(store),
      gridFrom(await tableBody(request)),
    );
    const answer = { columns: columns.roles.map((role) => role ?? null), rows, left };
    const revision = applied(request);
    if (revision === undefined) return NextResponse.json({ ...answer, applied: false });
    const saved = saveRig(store, id, revision, document)!;
    return NextResponse.json({ ...answer, applied: true, revision: saved.revision });
  });
