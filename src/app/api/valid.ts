import type Joi from 'joi';
import { Refused } from '@/store/refused';
import { notFound } from './handled';

/** A body that is what it should be. @throws Refused with the path of what is wrong */
export function valid<T>(schema: Joi.ObjectSchema<T>, body: unknown): T {
  const { error, value } = schema.validate(body);
  if (error) throw new Refused(400, 'bad-request', error.message);
  return value as T;
}

/** A number in an address. @throws Refused for anything else */
export function numbered(text: string, what: string): number {
  if (!/^\d{1,12}$/.test(text)) throw notFound(`${what} ${text}`);
  return Number(text);
}
