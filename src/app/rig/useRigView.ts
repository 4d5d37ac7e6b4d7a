'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { VERDICT_ORDER, type Finding, type LineResult, type Verdict } from '@/core/check';
import { CONNECTORS, kindAt, type PartRef } from '@/core/gear';
import { sections as sectionsOf, type RigDocument } from '@/core/rig';
import { entryState } from '@/ui/shell/useBackCloses';
import type { PanelTab } from './LineHead';
import type { Selection } from './Sheet';
import type { Probe, Solution } from './useRigCheck';

const WHOLE: Selection = { whole: true };

/** How many lines have each verdict. */
export type Counts = Record<Verdict, number | '…'>;
const UNKNOWN: Counts = { Stop: '…', Silent: '…', Watch: '…', Clear: '…' };

/** The selected line's result: newest verdict and readings, remedies of the last full answer where it still speaks of them. */
export function resultOf(solution: Solution, line: string | undefined): LineResult | undefined {
  const brief = solution.lines.get(line ?? '');
  const full = solution.full?.result;
  if (!brief || full?.id !== line) return brief;
  if (solution.full?.document === solution.document) return full;
  const known = new Map(full!.findings.map((finding) => [`${finding.code} ${finding.part}`, finding]));
  return {
    ...brief,
    moments: full!.moments,
    readings: { ...brief.readings, signal: { ...brief.readings.signal, response: full!.readings.signal.response } },
    findings: brief.findings.map((finding) => {
      const before = known.get(`${finding.code} ${finding.part}`);
      return before ? { ...finding, remedies: before.remedies, answers: before.answers } : finding;
    }),
  };
}

/** What is looked at: the selected line or switch, the open tab, the filter, where the probe is. */
export function useRigView(document: RigDocument, asked?: string) {
  const sections = useMemo(() => sectionsOf(document), [document]);
  const paths = useMemo(
    () => new Map(sections.flatMap(({ lines }) => lines.map((path) => [path.line.id, path]))),
    [sections],
  );
  const [chosen, setChosen] = useState<Selection | undefined>(asked ? { line: asked } : undefined);
  const [tab, setTab] = useState<PanelTab>('why');
  const [part, setPart] = useState<PartRef>('source');
  const [placed, setTips] = useState<Probe>();
  const [shown, setShown] = useState<ReadonlySet<Verdict>>(new Set());
  const [search, setSearch] = useState('');
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [picking, setPicking] = useState(false);
  const lastPicked = useRef<string>(undefined);
  const searchRef = useRef<HTMLInputElement>(null);

  const here =
    chosen &&
    (('line' in chosen && paths.has(chosen.line)) ||
      ('device' in chosen && document.devices.some(({ id }) => id === chosen.device)));
  const selection: Selection = useMemo(() => (here && chosen ? chosen : WHOLE), [here, chosen]);

  const selectLine = useCallback((line: string, at?: PartRef) => {
    setChosen({ line });
    setPart(at ?? 'source');
    if (at !== undefined) setTab('part');
    const query = new URLSearchParams(window.location.search);
    query.set('line', line);
    window.history.replaceState(entryState(), '', `?${query}`);
  }, []);
  const selectWhole = useCallback(() => setChosen(undefined), []);
  const selectGroup = useCallback((device: string, group?: string) => setChosen({ device, group }), []);
  const toggleShown = useCallback(
    (verdict: Verdict) =>
      setShown((before) => {
        const next = new Set(before);
        if (!next.delete(verdict)) next.add(verdict);
        return next;
      }),
    [],
  );

  const order = useMemo(() => sections.flatMap(({ lines }) => lines.map(({ line }) => line.id)), [sections]);
  /** Lines for what is done to several at once, in the order of the sheet; those that are gone are not among them. */
  const marked = useMemo(() => order.filter((id) => picked.has(id)), [order, picked]);
  const markOnly = useCallback((ids: readonly string[]) => setPicked(new Set(ids)), []);
  // Every row is given this: it stays the same while lines change, and looks here.
  const orderNow = useRef(order);
  useEffect(() => {
    orderNow.current = order;
  }, [order]);
  /** One more, or one less; with `through` all from the last one to this. */
  const mark = useCallback((id: string, through: boolean) => {
    const now = orderNow.current;
    const [from, to] = [now.indexOf(lastPicked.current ?? id), now.indexOf(id)].sort((a, b) => a - b);
    lastPicked.current = id;
    setPicked((before) => {
      const next = new Set(before);
      if (through) for (const each of now.slice(Math.max(from, 0), to + 1)) next.add(each);
      else if (!next.delete(id)) next.add(id);
      return next;
    });
  }, []);
  const clearMarks = useCallback(() => {
    setPicked(new Set());
    setPicking(false);
  }, []);

  /** The probe where it was put, as long as those contacts are there; else on the source, hot over reference. */
  const tipsFor = useCallback(
    (result: LineResult | undefined): Probe | undefined => {
      if (!result) return undefined;
      const { junctions } = result.readings;
      const here = ({ junction, contact }: Probe['red']) =>
        junctions[junction]?.contacts.some((other) => other.contact === contact);
      if (placed && here(placed.red) && here(placed.black)) return placed;
      const { pairs, reference } = CONNECTORS[junctions[0].plug];
      const [hot] = pairs[0];
      return {
        red: { junction: 0, contact: hot },
        black: { junction: 0, contact: hot === reference ? pairs[0][1] : reference },
      };
    },
    [placed],
  );
  /** Lines that the filter and the search leave, and how many have each verdict. */
  const shownLines = useCallback(
    (solution: Solution) => {
      const words = search.trim().toLowerCase();
      const matches = (id: string, found: readonly Finding[] = []) => {
        const path = paths.get(id)!;
        const text = [
          path.line.name,
          path.line.inlet.name,
          ...[path.line.source, ...path.line.links].flatMap((part, n) => [
            part.name,
            kindAt(n === 0 ? 'source' : n - 1, part.kind).label,
          ]),
          ...found.map(({ what }) => what),
        ];
        return !words || text.some((each) => each?.toLowerCase().includes(words));
      };

      const counts = Object.fromEntries(VERDICT_ORDER.map((verdict) => [verdict, 0])) as Record<Verdict, number>;
      const visible = new Set<string>();
      for (const id of paths.keys()) {
        const { verdict, findings } = solution.lines.get(id) ?? {};
        if (verdict) counts[verdict]++;
        if (matches(id, findings) && (shown.size === 0 || (verdict && shown.has(verdict)))) visible.add(id);
      }
      // None of each would be as wrong as all of one, as long as nobody knows.
      const unknown = paths.size > 0 && solution.lines.size + solution.unsolved.size === 0;
      return { counts: unknown ? UNKNOWN : counts, visible };
    },
    [paths, shown, search],
  );

  return useMemo(
    () => ({
      sections,
      paths,
      selection,
      selectLine,
      selectGroup,
      selectWhole,
      tab,
      setTab,
      part,
      setPart,
      setTips,
      shown,
      toggleShown,
      search,
      setSearch,
      searchRef,
      tipsFor,
      shownLines,
      order,
      marked,
      mark,
      markOnly,
      clearMarks,
      picking: picking || marked.length > 0,
      setPicking,
    }),
    [
      order,
      marked,
      mark,
      markOnly,
      clearMarks,
      picking,
      sections,
      paths,
      selection,
      selectLine,
      selectGroup,
      selectWhole,
      tab,
      part,
      shown,
      toggleShown,
      search,
      tipsFor,
      shownLines,
    ],
  );
}

export type RigView = ReturnType<typeof useRigView>;
