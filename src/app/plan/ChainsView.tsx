'use client';

import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { lengthText } from '@/core/units/format';
import type { KitItem } from '@/core/kit';
import { withChain } from '@/core/plan';
import {
  endsInLink,
  groupOf,
  inletName,
  startsAtLink,
  type InletRef,
  type RigDocument,
  type RigLine,
} from '@/core/rig';
import { feedLabel, type FeedName } from '@/core/standards/feeds';
import type { PlanWorker } from '@/workers/planWorker';
import { ChainRow } from './ChainRow';
import { Section } from './Section';
import { useAnswer } from '@/ui/rig/useWorker';
import { Choice } from '@/ui/shell/Choice';
import { inletKey } from '@/core/gear';
import { chainsView as text } from './texts';

interface Props {
  document: RigDocument;
  kit: readonly KitItem[];
  worker: () => PlanWorker;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

/** Every sensible chain from a source to an inlet, best first, and the tempting ones that are not allowed. */
export function ChainsView({ document, kit, worker, onChange }: Props) {
  const sources = useMemo(() => sourceChoices(document, kit), [document, kit]);
  const [wanted, setSource] = useState<string>();
  const source = sources.find(({ id }) => id === wanted) ?? sources[0];
  const [inletKey, setInlet] = useState<string>();
  const [feed, setFeed] = useState<FeedName>();
  const inlets = useMemo(() => inletChoices(document), [document]);
  const taken = useMemo(() => new Set(document.lines.flatMap(placeOf)), [document]);
  const own = source?.at ?? inlets.find(({ key }) => !taken.has(key))?.key ?? inlets[0]?.key;
  const inlet = inlets.find(({ key }) => key === (inletKey ?? own));
  const offered: FeedName[] = inlet?.group ? ['off', ...inlet.group.offers] : ['off'];
  const set = feed && offered.includes(feed) ? feed : (inlet?.group?.feed ?? 'off');
  const { answer, failed, busy } = useChains(worker, document, kit, source?.id, inlet?.key, set);
  if (!source || !inlet)
    return (
      <Typography variant="body1" sx={{ p: 4 }}>
        {text.addADevice}
      </Typography>
    );
  // A source of the kit gets a line of its own, where there is room for it.
  const free = source.at !== undefined || !taken.has(inlet.key);
  const chains = busy ? undefined : answer?.chains;
  const turned = inlet.group && inlet.group.feed !== set;
  return (
    <Box sx={{ px: 2, py: 1.75 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <Choice
          label={text.from}
          value={source.id}
          options={sources.map(({ id, name, kit: inKit }) => [id, inKit ? text.fromTheKit(name) : name])}
          onChoose={(id) => {
            setSource(id);
            setInlet(undefined);
            setFeed(undefined);
          }}
        />
        <Choice
          label={text.to}
          value={inlet.key}
          options={inlets.map(({ key, name }) => [key, name])}
          onChoose={(key) => {
            setInlet(key);
            setFeed(undefined);
          }}
        />
        {inlet.group && (
          <ToggleButtonGroup
            exclusive
            size="small"
            value={set}
            onChange={(_, to: FeedName | null) => to && setFeed(to)}
            aria-label={text.feedOfTheInlet}
          >
            {offered.map((each) => (
              <ToggleButton key={each} value={each}>
                {feedLabel(each)}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        )}
        <Typography variant="caption" color="textSecondary" role="status">
          {failed ?? (busy || !chains ? text.judging : text.work(chains.allowed.length, runText(chains.run)))}
        </Typography>
      </Box>
      {chains && (
        <>
          <Section ordered title={chains.allowed.length ? text.bestFirst : text.nothingInTheKitWorks}>
            {chains.allowed.map((chain) => (
              <ChainRow
                key={chain.rank}
                chain={chain}
                onUse={
                  (chain.present && source.at === inlet.key) || !free
                    ? undefined
                    : () => onChange((from) => withChain(from, source.id, inlet.ref, chain))
                }
                note={turned ? text.withAt(inlet.group!.name, feedLabel(set)) : undefined}
              />
            ))}
          </Section>
          {chains.refused.length > 0 && (
            <Section ordered title={text.temptingButWrong}>
              {chains.refused.map((chain, n) => (
                <ChainRow key={n} chain={chain} />
              ))}
            </Section>
          )}
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1.5 }}>
            {text.bestFirstVerdictBalanced}
          </Typography>
        </>
      )}
    </Box>
  );
}

/** The chains of a line to an inlet, named by device and inlet. */
function useChains(
  worker: () => PlanWorker,
  document: RigDocument,
  kit: readonly KitItem[],
  line: string | undefined,
  inletKey: string | undefined,
  feed: FeedName,
) {
  const question = useMemo(() => {
    const [device, inlet] = inletKey?.split(' ') ?? [];
    return line && inlet
      ? ({ ask: 'chains', document, kit, line, inlet: { device, inlet }, feed } as const)
      : undefined;
  }, [document, kit, line, inletKey, feed]);
  return useAnswer(worker, question, 'chains');
}

/** The inlet of a line as `device inlet`; none for one that ends in another one's link. */
const placeOf = (line: RigLine): string[] => (endsInLink(line) ? [] : [inletKey(line.inlet)]);

interface SourceChoice {
  id: string;
  name: string;
  /** Where it is now. */
  at?: string;
  kit?: boolean;
}

/** Lines that can go over another chain, and sources of the kit that are on no line. */
function sourceChoices(document: RigDocument, kit: readonly KitItem[]): SourceChoice[] {
  const lines = document.lines.filter(
    (line) => !startsAtLink(line) && !document.lines.some((other) => hangsOn(other, line.id)),
  );
  const used = new Set(document.lines.flatMap((line) => (startsAtLink(line) ? [] : (line.source.item ?? []))));
  return [
    ...lines.map((line) => ({
      id: line.id,
      name: line.name,
      at: placeOf(line)[0],
    })),
    ...kit
      .filter(({ id, role }) => role === 'source' && !used.has(id) && !lines.some((line) => line.id === id))
      .map(({ id, name }) => ({ id, name, kit: true })),
  ];
}

const hangsOn = (line: RigDocument['lines'][number], host: string): boolean =>
  (startsAtLink(line) && line.source.from.line === host) ||
  (endsInLink(line) && line.inlet.into.line === host && line.inlet.into.port !== 'through');

const runText = (run: number): string =>
  run > 0 ? text.ofCableNeeded(lengthText(Math.ceil(run))) : text.noCableNeededByDistance;

function inletChoices({ devices }: RigDocument) {
  return devices.flatMap((device) =>
    device.inlets.map((inlet) => ({
      key: inletKey({ device: device.id, inlet: inlet.id }),
      name: inletName(device, inlet),
      ref: { device: device.id, inlet: inlet.id } satisfies InletRef,
      group: groupOf(device, inlet.id),
    })),
  );
}
