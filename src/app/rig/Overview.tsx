'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { memo, useDeferredValue } from 'react';
import { VERDICT_ORDER, verdictOf, type Verdict } from '@/core/check';
import type { Section } from '@/core/rig';
import type { Overdrawn } from '@/core/kit';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { overdrawnWords } from './overdrawnWords';
import { groupKey, type Solution } from './useRigCheck';
import { overview as text } from './texts';

interface Props {
  sections: readonly Section[];
  solution: Solution;
  /** What is used more often than the kit has it. */
  over: readonly Overdrawn[];
  onLine: (line: string) => void;
  onGroup: (device: string, group?: string) => void;
}

interface Entry {
  name: string;
  verdict: Verdict;
  what: string;
  /** How much more there is to say of it. */
  more: number;
  /** Where it leads: to a line, or to a switch. */
  line?: string;
  device?: string;
  group?: string;
}

/**
 * Everything that speaks against this rig, worst first; what is Clear is counted, not told. The sheet comes first where a
 * switch was pressed: this is drawn after it.
 */
export const Overview = memo(function Overview(props: Props) {
  const sections = useDeferredValue(props.sections);
  const solution = useDeferredValue(props.solution);
  const over = useDeferredValue(props.over);
  return <Problems {...props} {...{ sections, solution, over }} />;
});

const Problems = memo(function Problems(props: Props) {
  const entries = entriesOf(props);
  const count = (verdict: Verdict) => entries.filter((entry) => entry.verdict === verdict).length;
  const { lines, waiting, failed } = judgedOf(props);
  const known = waiting + failed === 0;
  // Beside problems it is only told where it lasts: a line that was just added has its verdict at once.
  const lasts = waiting > 0 && (entries.length === 0 || props.solution.failed !== undefined);
  const said = entries.length
    ? text.tapALine(
        lines,
        VERDICT_ORDER.filter((verdict) => count(verdict))
          .map((verdict) => `${count(verdict)} ${verdict}`)
          .join(', '),
      )
    : known && text.allLinesAreClear(lines);
  return (
    <Box sx={{ px: 2.5, py: 1.75 }}>
      <Typography variant="panel" component="h2">
        {headingOf(entries.length, lines, known)}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5, mb: 1.5 }}>
        {lines
          ? [said, lasts && text.noVerdictYet(waiting), failed > 0 && text.noResult(failed)].filter(Boolean).join(' ')
          : text.typeTheFirstOne}
      </Typography>
      <Box component="ol" sx={problems}>
        {entries.map((entry) => (
          <Problem
            key={entry.line ?? `${entry.device} ${entry.group} ${entry.what}`}
            {...entry}
            onLine={props.onLine}
            onGroup={props.onGroup}
          />
        ))}
      </Box>
      {props.over.length > 0 && (
        <Box component="section" aria-label={text.moreThanYouOwn} sx={{ mt: 2.5 }}>
          <Typography variant="h3">{text.moreThanYouOwn}</Typography>
          {props.over.map((each) => (
            <Typography key={each.item} variant="body2">
              {overdrawnWords(each)}
            </Typography>
          ))}
        </Box>
      )}
    </Box>
  );
});

const problem = {
  display: 'grid',
  gridTemplateColumns: '76px 1fr',
  alignItems: 'baseline',
  width: '100%',
  textAlign: 'left',
  py: 0.9,
  '&:hover': { bgcolor: 'action.hover' },
  '& > :last-child': { gridColumn: 2 },
} as const;

/** How problems stand in their list; of a large rig there are many. */
const problems = {
  listStyle: 'none',
  m: 0,
  p: 0,
  '& > li': { borderTop: 1, borderColor: 'divider' },
  '& b': { typography: 'body2', fontWeight: 650 },
  '& small': { typography: 'caption', color: 'text.secondary' },
} as const;

/** One of them; those that stay as they are are not drawn again. */
const Problem = memo(function Problem(props: Entry & Pick<Props, 'onLine' | 'onGroup'>) {
  const { name, verdict, what, more, line, device, group, onLine, onGroup } = props;
  return (
    <li>
      <ButtonBase onClick={() => (line === undefined ? onGroup(device!, group) : onLine(line))} sx={problem}>
        <VerdictMark verdict={verdict} />
        <b>{name}</b>
        <small>
          {what}
          {more > 0 && text.more(more)}
        </small>
      </ButtonBase>
    </li>
  );
});

function headingOf(problems: number, lines: number, known: boolean): string {
  if (problems) return text.problemsWorstFirst;
  if (!lines) return text.noLinesYet;
  return known ? text.noProblemsFound : text.linesWithoutAVerdict;
}

/** How many lines there are, how many of them nobody has judged yet, and how many have no result. */
function judgedOf({ sections, solution }: Props): { lines: number; waiting: number; failed: number } {
  const ids = sections.flatMap(({ lines }) => lines.map(({ line }) => line.id));
  const failed = ids.filter((id) => solution.unsolved.has(id)).length;
  const judged = ids.filter((id) => solution.lines.has(id)).length;
  return { lines: ids.length, waiting: ids.length - judged - failed, failed };
}

function entriesOf({ sections, solution }: Props): Entry[] {
  const all = sections.flatMap(({ device, group, lines }): Entry[] => [
    ...(solution.groups.get(groupKey(device.id, group?.id ?? ''))?.findings ?? []).map((finding) => ({
      name: group ? `${device.name}, ${group.name}` : device.name,
      verdict: verdictOf([finding]),
      what: finding.what,
      more: 0,
      device: device.id,
      group: group?.id,
    })),
    ...lines.flatMap(({ line }): Entry[] => {
      const result = solution.lines.get(line.id);
      if (!result || result.verdict === 'Clear') return [];
      const telling = result.findings.filter(({ severity }) => severity !== 'note');
      return [
        { name: line.name, verdict: result.verdict, what: telling[0].what, more: telling.length - 1, line: line.id },
      ];
    }),
  ]);
  return VERDICT_ORDER.flatMap((verdict) => all.filter((entry) => entry.verdict === verdict));
}
