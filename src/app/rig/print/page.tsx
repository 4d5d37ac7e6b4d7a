import type { Metadata } from 'next';
import NextLink from 'next/link';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Verdict } from '@/core/check';
import { linkKind, sourceKind } from '@/core/gear';
import { byPosition, inletText, pullList, type KitItem } from '@/core/kit';
import { endsInLink, groupOf, startsAtLink, type RigDocument, type RigLine } from '@/core/rig';
import { feedLabel } from '@/core/standards/feeds';
import { loadKit } from '@/store/kit';
import { loadRig } from '@/store/rigs';
import { heavily } from '@/threads/pool';
import { Paper } from '@/ui/shell/Paper';
import { onStore } from '../../onStore';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.rigOnPaper };
export const dynamic = 'force-dynamic';

const SHEETS = {
  input: text.inputList,
  position: text.stagePlot,
  pull: text.pullList,
  labels: text.labelsForLines,
} as const;
type Sheet = keyof typeof SHEETS;

/** A rig on paper: who goes where, where they are, what to pack, and labels; A4 and Letter alike. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string; sheet?: string }> }) => {
  const { rig = '', sheet = 'input' } = await searchParams;
  const saved = typeof rig === 'string' ? loadRig(store, rig) : undefined;
  if (!saved || !Object.hasOwn(SHEETS, sheet)) notFound();
  const { document } = saved;
  return (
    <Paper
      title={`${SHEETS[sheet as Sheet]}: ${document.name}`}
      note={
        <>
          <nav aria-label={text.sheets} className="screen-only">
            {(Object.keys(SHEETS) as Sheet[]).map((each) => (
              <NextLink
                key={each}
                href={`/rig/print?rig=${encodeURIComponent(rig)}&sheet=${each}`}
                aria-current={each === sheet ? 'page' : undefined}
                style={{
                  display: 'inline-block',
                  padding: '12px 16px 12px 0',
                  color: '#111',
                  fontWeight: each === sheet ? 650 : 400,
                }}
              >
                {SHEETS[each]}
              </NextLink>
            ))}
          </nav>
          {text.revision48VAndVerdicts(saved.revision)}
          {document.note && <p style={{ whiteSpace: 'pre-line' }}>{document.note}</p>}
        </>
      }
      back={{ href: `/rig?rig=${encodeURIComponent(rig)}`, label: text.backToTheRig }}
    >
      {await view(sheet as Sheet, document, loadKit(store))}
    </Paper>
  );
});

async function view(sheet: Sheet, document: RigDocument, kit: readonly KitItem[]): Promise<ReactNode> {
  switch (sheet) {
    case 'input':
      return <InputTable document={document} verdicts={await heavily('verdicts', document)} />;
    case 'position':
      return <Positions document={document} />;
    case 'pull':
      return <PullTable document={document} kit={kit} />;
    case 'labels':
      return <Labels document={document} />;
  }
}

const sourceText = (document: RigDocument, line: RigLine): string =>
  startsAtLink(line)
    ? text.from(document.lines.find(({ id }) => id === line.source.from.line)?.name, line.source.from.line)
    : (line.source.name ?? sourceKind(line.source.kind).label);

const linksText = ({ links }: RigLine): string =>
  links.map((part) => part.name ?? linkKind(part.kind).label).join(' > ');

const feedText = ({ devices }: RigDocument, line: RigLine): string => {
  if (endsInLink(line)) return '';
  const { device, inlet } = line.inlet;
  const own = devices.find(({ id }) => id === device);
  const feed = own && groupOf(own, inlet)?.feed;
  return feed === undefined ? '' : feedLabel(feed);
};

const positionOf = ({ locations }: RigDocument, line: RigLine): string =>
  locations?.find(({ id }) => id === line.location)?.name ?? '';

/** A table of cells; a heading for each column. */
const Table = ({ heads, rows }: { heads: readonly string[]; rows: readonly (readonly ReactNode[])[] }) => (
  <table>
    <thead>
      <tr>
        {heads.map((head) => (
          <th key={head} scope="col">
            {head}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {rows.map((cells, n) => (
        <tr key={n}>
          {cells.map((cell, column) => (
            <td key={column}>{cell}</td>
          ))}
        </tr>
      ))}
    </tbody>
  </table>
);

const InputTable = ({ document, verdicts }: { document: RigDocument; verdicts: Record<string, Verdict> }) => (
  <Table
    heads={['', text.name, text.source, text.via, text.inlet, text.feed, text.position, text.verdict, text.note]}
    rows={document.lines.map((line, n) => [
      n + 1,
      <strong key="name">{line.name}</strong>,
      sourceText(document, line),
      linksText(line),
      inletText(document, line),
      feedText(document, line),
      positionOf(document, line),
      verdicts[line.id] ?? text.noResult,
      line.note ?? '',
    ])}
  />
);

const Positions = ({ document }: { document: RigDocument }) => (
  <>
    {byPosition(document).map(({ name, lines }) => (
      <section key={name}>
        <h2>
          {name} · {lines.length}
        </h2>
        <Table
          heads={[text.name, text.source, text.via, text.goesTo]}
          rows={lines.map((line) => [
            <strong key="name">{line.name}</strong>,
            sourceText(document, line),
            linksText(line),
            inletText(document, line),
          ])}
        />
      </section>
    ))}
  </>
);

const ROLES = { device: text.devices, source: text.sources, link: text.cablesAdaptersAndBoxes } as const;

function PullTable({ document, kit }: { document: RigDocument; kit: readonly KitItem[] }) {
  const rows = pullList(document, kit);
  return (
    <>
      {(Object.keys(ROLES) as (keyof typeof ROLES)[]).map((role) => (
        <section key={role}>
          <h2>{ROLES[role]}</h2>
          <Table
            heads={[text.packed, text.what, text.need, text.have, text.getOrRent, text.forWord]}
            rows={rows
              .filter((row) => row.role === role)
              .map(({ name, what, needed, have, get, lines }) => [
                '☐',
                <span key="what">
                  <strong>{name}</strong>
                  {what && ` (${what})`}
                </span>,
                needed,
                Math.min(have, needed),
                get === 0 ? '' : <strong key="get">{get}</strong>,
                lines.slice(0, 4).join(', ') + (lines.length > 4 ? text.andMore(lines.length - 4) : ''),
              ])}
          />
        </section>
      ))}
    </>
  );
}

/** Two of each: one for either end of the cable. */
const Labels = ({ document }: { document: RigDocument }) => (
  <ul
    style={{
      listStyle: 'none',
      padding: 0,
      display: 'grid',
      gridTemplateColumns: 'repeat(auto-fill, minmax(200px, 1fr))',
      gap: 0,
    }}
  >
    {document.lines.flatMap((line) =>
      ['source', 'inlet'].map((end) => (
        <li key={`${line.id} ${end}`} style={{ border: '1px dashed #999', padding: '8px 10px', minHeight: 64 }}>
          <strong style={{ fontSize: '1rem' }}>{line.name}</strong>
          <br />
          {inletText(document, line)}
          <br />
          {[positionOf(document, line), text.end(end)].filter(Boolean).join(' · ')}
        </li>
      )),
    )}
  </ul>
);
