import fc from 'fast-check';
import { validator } from '../../../tests/schemas';
import { runs } from '../../../tests/explore';
import { rigOf } from '../../../tests/lines/lines';
import { lineResult, verdictOf } from '../check';
import { INLETS, LINKS, SOURCES, type AnyKind, type Line, type Part } from '../gear';
import { applyEdits } from '../gear/edits';
import { jsonSchema, readDocument, rigPath, schoolsOf } from '.';

/** Any part a document can hold: a kind with choices at random and figures anywhere in their range. */
const anyPart = (kinds: readonly AnyKind[]): fc.Arbitrary<Part> =>
  fc.constantFrom(...kinds).chain((kind) =>
    fc.record({
      kind: fc.constant(kind.kind),
      choices: fc.record(
        Object.fromEntries(
          Object.entries(kind.choices).map(([name, { options }]) => [
            name,
            fc.constantFrom(...options.map(({ value }) => value)),
          ]),
        ),
      ) as fc.Arbitrary<Record<string, string>>,
      figures: fc.record(
        Object.fromEntries(
          Object.entries(kind.figures).map(([name, { unit, min, max }]) => [
            name,
            fc.record({
              value: fc.double({ min, max, noNaN: true }),
              unit: fc.constant(unit),
              basis: fc.constant('assumed' as const),
            }),
          ]),
        ),
        { requiredKeys: [] },
      ) as fc.Arbitrary<Part['figures']>,
    }),
  );
const anyLine: fc.Arbitrary<Line> = fc.record({
  id: fc.constant('any'),
  name: fc.constant('any'),
  source: anyPart(SOURCES),
  links: fc.array(anyPart(LINKS), { maxLength: 3 }),
  inlet: anyPart(INLETS),
});

describe('any line a document can hold', () => {
  test('is accepted, solved and judged by its worst finding', () => {
    fc.assert(
      fc.property(anyLine, (line) => {
        const document = readDocument(rigOf(line));
        const result = lineResult(rigPath(document, 'any')!.line, schoolsOf(document));
        expect(result.verdict).toBe(verdictOf(result.findings));
        expect(JSON.stringify(result)).not.toMatch(/NaN/);
        for (const { numbers } of result.findings)
          for (const { value } of numbers) expect(Number.isFinite(value)).toBe(true);
      }),
      { numRuns: runs(80) },
    );
  });

  test('is accepted by the published JSON Schema too', () => {
    const valid = validator(jsonSchema());
    fc.assert(
      fc.property(anyLine, (line) => valid(rigOf(line))),
      { numRuns: runs(150) },
    );
  });

  test('edits leave the line they start from as it was', () => {
    fc.assert(
      fc.property(anyLine, (line) => {
        const before = structuredClone(line);
        applyEdits(line, [
          { do: 'insert', at: 0, part: { kind: 'pad' } },
          { do: 'remove', at: 0 },
          { do: 'rename', name: 'other' },
        ]);
        expect(line).toEqual(before);
      }),
    );
  });
});
