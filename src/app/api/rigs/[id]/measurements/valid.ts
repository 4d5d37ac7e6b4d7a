import type Joi from 'joi';
import type { NextRequest } from 'next/server';
import type { RigDocument, RigLine } from '@/core/rig';
import { theStore } from '@/store/database';
import { loadRig } from '@/store/rigs';
import { jsonBody, notFound, sameOrigin } from '../../../handled';
import { valid } from '../../../valid';

/** The newest revision of a rig. @throws Refused if there is none */
export function rigIn(id: string): RigDocument {
  const saved = loadRig(theStore(), id);
  if (!saved) throw notFound(`rig ${id}`);
  return saved.document;
}

/** What is posted about a line of a rig, checked. @throws Refused for a wrong body, rig or line */
export async function aboutLine<T extends { line: string }>(
  request: NextRequest,
  params: Promise<{ id: string }>,
  schema: Joi.ObjectSchema<T>,
): Promise<{ id: string; body: T; line: RigLine; document: RigDocument }> {
  sameOrigin(request);
  const { id } = await params;
  const document = rigIn(id);
  const body = valid(schema, await jsonBody(request));
  const line = document.lines.find((each) => each.id === body.line);
  if (!line) throw notFound(`line ${body.line} in this rig`);
  return { id, body, line, document };
}
