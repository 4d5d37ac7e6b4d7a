import type Joi from 'joi';
import type { RigDocument, RigLine } from '@/core/rig';
import { theStore } from '@/store/database';
import { loadRig } from '@/store/rigs';
import { notFound, Refused } from '../../../door';

/** A body that is what it should be. @throws Refused with the path of what is wrong */
export function valid<T>(schema: Joi.ObjectSchema<T>, body: unknown): T {
  const { error, value } = schema.validate(body);
  if (error) throw new Refused(400, 'bad-request', error.message);
  return value as T;
}

/** The newest revision of a rig. @throws Refused if there is none */
export function rigIn(id: string): RigDocument {
  const saved = loadRig(theStore(), id);
  if (!saved) throw notFound(`rig ${id}`);
  return saved.document;
}

export const lineIn = ({ lines }: RigDocument, id: string): RigLine | undefined => lines.find((line) => line.id === id);

/** A number in an address. @throws Refused for anything else */
export function numbered(text: string, what: string): number {
  if (!/^\d{1,12}$/.test(text)) throw notFound(`${what} ${text}`);
  return Number(text);
}
