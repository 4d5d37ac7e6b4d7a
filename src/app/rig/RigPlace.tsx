'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { SchoolName } from '@/core/check';
import type { Line } from '@/core/gear';
import { schoolsOf, type RigDocument } from '@/core/rig/document';
import { applyEdits, type Edit } from '@/core/rig/edits';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { Why } from '@/ui/why/Why';
import { LineList } from './LineList';
import { LineSheet } from './LineSheet';
import { SchoolsDialog } from './SchoolsDialog';
import { TopBar } from './TopBar';
import { useCheck } from './useCheck';
import { useRig, type SavedRig } from './useRig';

/** The Rig place: the saved lines, one of them drawn and edited, and why it has its verdict. */
export function RigPlace({ saved, selected: asked }: { saved: SavedRig; selected?: string }) {
  const { document, revision, saving, change, undo, redo, settle } = useRig(saved);
  const [chosen, setChosen] = useState(asked);
  const [schoolsOpen, setSchoolsOpen] = useState(false);
  const schools = useMemo(() => schoolsOf({ schools: document.schools }), [document.schools]);
  const line = document.lines.find(({ id }) => id === chosen) ?? document.lines[0];
  const { answers, worker } = useCheck(document.lines, schools, line?.id);
  const answer = line && answers.get(line.id);

  const verdicts = useMemo(
    () => document.lines.flatMap((each) => answers.get(each.id)?.result?.verdict ?? []),
    [document.lines, answers],
  );
  const openSchools = useCallback(() => setSchoolsOpen(true), []);
  const select = useCallback((id: string) => {
    setChosen(id);
    window.history.replaceState(null, '', `?line=${id}`);
  }, []);
  const id = line?.id;
  const edit = useCallback(
    (edits: Edit[]) => change((from) => withLine(from, id, (to) => applyEdits(to, edits))),
    [change, id],
  );
  const add = (fresh: Line) => {
    change((from) => ({ ...from, lines: [...from.lines, fresh] }));
    select(fresh.id);
  };
  const newLine = () =>
    add({
      id: freeId(document, 'line'),
      name: freeName(document, 'New line'),
      source: { kind: 'moving-coil' },
      links: [{ kind: 'cable' }],
      inlet: { kind: 'three-pin' },
    });
  const remove = () => {
    const at = document.lines.indexOf(line);
    change((from) => ({ ...from, lines: from.lines.filter(({ id }) => id !== line.id) }));
    select((document.lines[at + 1] ?? document.lines[at - 1])?.id ?? '');
  };
  const step = (by: number) => {
    const to = document.lines[document.lines.indexOf(line) + by];
    if (to) select(to.id);
  };

  useHotkeys('mod+z', () => undo?.(), { preventDefault: true }, [undo]);
  useHotkeys('mod+shift+z, mod+y', () => redo?.(), { preventDefault: true }, [redo]);
  useHotkeys('n', newLine);
  useHotkeys('j', () => step(1));
  useHotkeys('k', () => step(-1));

  return (
    <Box
      sx={{
        height: { lg: '100dvh' },
        minHeight: '100dvh',
        display: 'grid',
        gridTemplateAreas: {
          xs: '"bar" "list" "sheet" "why"',
          md: '"bar bar" "list sheet" "why sheet"',
          lg: '"bar bar bar" "list sheet why"',
        },
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '272px minmax(0, 1fr)', lg: '248px minmax(0, 1fr) 336px' },
        gridTemplateRows: { xs: 'auto auto auto auto', md: 'auto minmax(200px, 38dvh) 1fr', lg: 'auto minmax(0, 1fr)' },
      }}
    >
      <TopBar
        name={document.name}
        revision={revision}
        saving={saving}
        undo={undo}
        redo={redo}
        onSchools={openSchools}
        verdicts={verdicts}
      />
      <LineList lines={document.lines} answers={answers} selected={line?.id} onSelect={select} onAdd={newLine} />
      <Box
        component="main"
        sx={{ gridArea: 'sheet', overflowY: { lg: 'auto' }, bgcolor: 'background.paper', minWidth: 0 }}
      >
        {saving.state === 'stale' && (
          <Alert
            severity="warning"
            sx={{ m: 2 }}
            action={
              <>
                <Button color="inherit" onClick={() => settle('theirs')}>
                  Take theirs
                </Button>
                <Button color="inherit" onClick={() => settle('mine')}>
                  Save mine on top
                </Button>
              </>
            }
          >
            This rig was changed in another tab (revision {saving.current.revision}). Your change is kept; nothing is
            lost either way.
          </Alert>
        )}
        {line ? (
          <LineSheet
            key={line.id}
            line={line}
            answer={answer}
            worker={worker}
            onEdit={edit}
            onRemove={remove}
            onDuplicate={() =>
              add({ ...structuredClone(line), id: freeId(document, line.id), name: freeName(document, line.name) })
            }
          />
        ) : (
          <Box sx={{ p: 4, maxWidth: 460 }}>
            <Typography variant="h1" component="h2" gutterBottom>
              No line yet
            </Typography>
            <Typography variant="body1" sx={{ mb: 2 }}>
              A line is one source, what lies between, and the inlet it ends in. Build the first one and see what it
              gets.
            </Typography>
            <Button variant="contained" onClick={newLine}>
              New line
            </Button>
          </Box>
        )}
      </Box>
      <Box
        component="aside"
        aria-label="Why"
        aria-live="polite"
        sx={{
          gridArea: 'why',
          borderLeft: { lg: 1 },
          borderRight: { md: 1, lg: 0 },
          borderTop: { xs: 1, lg: 0 },
          borderColor: { xs: 'divider', md: 'divider', lg: 'divider' },
          p: { xs: 2.5, md: 2, lg: 2.5 },
          overflowY: { lg: 'auto' },
        }}
      >
        {answer?.result && (
          <>
            <Typography variant="caption" color="textSecondary" component="p">
              {line.name}
            </Typography>
            <Box sx={{ mt: 0.25, mb: 2 }} data-testid="verdict">
              <VerdictMark verdict={answer.result.verdict} size="large" />
            </Box>
            <Why result={answer.result} onApply={edit} />
          </>
        )}
        <Cautions />
      </Box>
      <SchoolsDialog
        open={schoolsOpen}
        schools={schools}
        onClose={() => setSchoolsOpen(false)}
        onChange={(name: SchoolName, value) =>
          change((from) => ({ ...from, schools: { ...from.schools, [name]: value } }))
        }
      />
    </Box>
  );
}

/** What can hurt people where a feed is decided. */
function Cautions() {
  return (
    <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 3 }}>
      Turn monitors and headphones down before a feed goes on or off: the step can hurt ears. Never lift the protective
      earth; mains work belongs to a licensed electrician and local code.
    </Typography>
  );
}

const withLine = (document: RigDocument, id: string | undefined, edit: (line: Line) => Line): RigDocument => ({
  ...document,
  lines: document.lines.map((line) => (line.id === id ? edit(line) : line)),
});

function freeId({ lines }: RigDocument, wish: string): string {
  const stem = wish.replace(/-\d+$/, '').slice(0, 56);
  for (let n = 2; ; n++) {
    const id = n === 2 && !lines.some((line) => line.id === stem) ? stem : `${stem}-${n}`;
    if (!lines.some((line) => line.id === id)) return id;
  }
}

function freeName({ lines }: RigDocument, wish: string): string {
  const stem = wish.replace(/ \d+$/, '').slice(0, 74);
  const taken = new Set(lines.map(({ name }) => name));
  if (!taken.has(stem)) return stem;
  for (let n = 2; ; n++) if (!taken.has(`${stem} ${n}`)) return `${stem} ${n}`;
}
