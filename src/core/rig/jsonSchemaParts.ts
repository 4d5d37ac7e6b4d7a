import { BASES } from '../gear';

/** What the published JSON Schemas are put together from. */
export type Schema = Record<string, unknown>;

export const object = (properties: Record<string, Schema>, required: string[], more: Schema = {}): Schema => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
  ...more,
});
export const text = (maxLength: number): Schema => ({ type: 'string', maxLength });
export const identifier: Schema = { type: 'string', pattern: '^[a-z0-9][a-z0-9-]{0,63}$' };
export const name: Schema = { ...text(80), minLength: 1 };

export const mapped = <T>(map: Record<string, T>, to: (entry: T) => Schema) =>
  Object.fromEntries(Object.entries(map).map(([key, entry]) => [key, to(entry)]));

export const deviceFigure = ({
  label,
  unit,
  min,
  max,
}: {
  label: string;
  unit: string;
  min: number;
  max: number;
}): Schema =>
  object(
    {
      value: { type: 'number', minimum: min, maximum: max },
      unit: { const: unit },
      basis: { enum: [...BASES] },
      where: text(200),
    },
    ['value', 'unit', 'basis'],
    { title: label },
  );
