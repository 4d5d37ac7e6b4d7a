import { existsSync, readFileSync } from 'node:fs';
import { lineResult } from '@/core/check';
import { LINKS, SOURCES, type Line } from '@/core/gear';
import { emptyRig, jsonSchema, readDocument, type RigDocument } from '@/core/rig';
import { DEFAULT_SCHOOLS } from '@/core/schools';
import { FEEDS, feedsOf } from '@/core/standards/feeds';
import { manyLinks } from './manyLinks';
import { oscillator } from './oscillator';
import { shieldAdapter } from './shieldAdapter';

// The one line that each of them needs in an index.
jest.mock('@/core/gear/sources', () => {
  const real = jest.requireActual('@/core/gear/sources');
  return { ...real, SOURCES: [...real.SOURCES, jest.requireActual('./oscillator').oscillator] };
});
jest.mock('@/core/gear/links', () => {
  const real = jest.requireActual('@/core/gear/links');
  return { ...real, LINKS: [...real.LINKS, jest.requireActual('./shieldAdapter').shieldAdapter] };
});
jest.mock('@/core/check/rules', () => {
  const real = jest.requireActual('@/core/check/rules');
  return { ...real, RULES: [...real.RULES, jest.requireActual('./manyLinks').manyLinks] };
});

const line = (links: Line['links'], source: Line['source'] = { kind: oscillator.kind }): Line => ({
  id: 'any',
  name: 'Any',
  source,
  links,
  inlet: { kind: 'three-pin', choices: { feed: 'off' } },
});
const judged = (...given: Parameters<typeof line>) => lineResult(line(...given), DEFAULT_SCHOOLS);
const codes = (...given: Parameters<typeof line>) => judged(...given).findings.map(({ code }) => code);
const cable = { kind: 'cable' };

/** A rig that has one of each. */
const rig: RigDocument = {
  ...emptyRig('Added'),
  devices: [{ id: 'desk', name: 'Desk', inlets: [{ id: '1', kind: 'three-pin' }], groups: [] }],
  lines: [
    {
      id: 'tone',
      name: 'Tone',
      source: { kind: oscillator.kind },
      links: [cable, { kind: shieldAdapter.kind }],
      inlet: { device: 'desk', inlet: '1' },
    },
  ],
};

describe('docs/adding.md: what is added by one file and one line of an index takes part everywhere', () => {
  test('a source kind is in the catalogue, in documents, in their schema, and is judged', () => {
    expect(SOURCES).toContain(oscillator);
    expect(readDocument(rig).lines[0].source).toEqual({ kind: 'test-oscillator' });
    expect(JSON.stringify(jsonSchema())).toContain('"test-oscillator"');
    expect(judged([cable]).verdict).toBe('Clear');
    expect(judged([cable]).readings.level).toBeDefined();
  });

  test('a link kind is solved as it is wired: with pin 1 open, a feed finds no way back', () => {
    expect(LINKS).toContain(shieldAdapter);
    const fed = (links: Line['links']) =>
      lineResult(
        { ...line(links, { kind: 'condenser-9-52' }), inlet: { kind: 'three-pin', choices: { feed: 'P48' } } },
        DEFAULT_SCHOOLS,
      ).verdict;
    expect(fed([cable])).toBe('Clear');
    expect(fed([cable, { kind: shieldAdapter.kind }])).toBe('Silent');
  });

  test('a finding is told where it is due, and only there', () => {
    expect(manyLinks.code).toBe('many-links');
    expect(codes(Array.from({ length: 6 }, () => cable))).toContain('many-links');
    expect(codes(Array.from({ length: 5 }, () => cable))).not.toContain('many-links');
  });

  test('every feed standard is offered by switches and by balanced inlets without being named there', () => {
    for (const feed of feedsOf('phantom', 'T12')) {
      const offering = structuredClone(rig);
      offering.devices[0].groups = [{ id: 'all', name: 'All', inlets: ['1'], offers: [feed], feed }];
      expect(readDocument(offering).devices[0].groups[0].feed).toBe(feed);
      const read = lineResult({ ...line([cable]), inlet: { kind: 'three-pin', choices: { feed } } }, DEFAULT_SCHOOLS)
        .readings.feeds;
      expect(read[0].feed).toBe(FEEDS[feed].label);
    }
  });

  test('the page names files that are there', () => {
    const page = readFileSync('docs/adding.md', 'utf8');
    const paths = [...page.matchAll(/`((?:src|tests|docs)\/[\w./-]+)`/g)].map(([, path]) => path);
    expect(paths.length).toBeGreaterThan(10);
    for (const path of paths) expect([path, existsSync(path)]).toEqual([path, true]);
  });
});
