'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { memo, type ReactNode, type RefObject } from 'react';
import { VERDICT_ORDER, type Verdict } from '@/core/check';
import { BarMore, LEADS_ELSEWHERE, SearchField, UndoRedo } from '@/ui/shell/barParts';
import { ProductName } from '@/ui/shell/PlaceBar';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { savingText } from '@/ui/rig/savingText';
import type { Saving } from '@/ui/rig/useRig';
import { topBar as texts } from './texts';
import type { Counts } from './useRigView';

interface Props {
  menu: ReactNode;
  revision: { number: number; savedAt: string };
  saving: Saving;
  /** How many lines have each verdict. */
  counts: Counts;
  shown: ReadonlySet<Verdict>;
  onShow: (verdict: Verdict) => void;
  search: string;
  searchRef: RefObject<HTMLInputElement | null>;
  onSearch: (text: string) => void;
  undo?: () => void;
  redo?: () => void;
  /** Back from one line to all that is wrong. */
  onWhole: () => void;
  onSchools: () => void;
}

/** The rig's name and state, its verdicts as filters, and what works on all of it. */
export const TopBar = memo(function TopBar(props: Props) {
  const { menu, revision, saving, counts, shown, onShow, search, searchRef, onSearch, undo, redo, onWhole, onSchools } =
    props;
  return (
    <>
      <ProductName />
      {menu}
      <Typography
        variant="caption"
        color={saving.state === 'failed' ? 'error' : 'textSecondary'}
        role="status"
        suppressHydrationWarning
        noWrap
        sx={{ flexShrink: 1, minWidth: 0, display: { xs: saving.state === 'failed' ? 'block' : 'none', md: 'block' } }}
      >
        {savingText(saving, revision)}
      </Typography>
      <Box sx={{ display: 'flex', columnGap: 0.25, ml: 'auto' }} aria-label={texts.showLinesByVerdict} role="group">
        {VERDICT_ORDER.map((verdict) => (
          <Tooltip key={verdict} describeChild title={texts.showOnly(verdict)}>
            <ButtonBase
              aria-pressed={shown.has(verdict)}
              onClick={() => onShow(verdict)}
              sx={{
                px: { xs: 0.25, md: 1 },
                py: 0.5,
                borderBottom: 2,
                borderColor: shown.has(verdict) ? 'primary.main' : 'transparent',
                opacity: shown.size && !shown.has(verdict) ? 0.65 : 1,
                '&:hover': { bgcolor: 'action.hover' },
              }}
            >
              <VerdictMark verdict={verdict} count={counts[verdict]} brief />
            </ButtonBase>
          </Tooltip>
        ))}
      </Box>
      <BarMore>
        <SearchField label={texts.findALine} shortcut="F" value={search} inputRef={searchRef} onChange={onSearch} />
        <Button onClick={onWhole} color="inherit" {...LEADS_ELSEWHERE} title={texts.overviewOfFindingsO}>
          {texts.overview}
        </Button>
        <Button onClick={onSchools} color="inherit">
          {texts.schools}
        </Button>
        <UndoRedo undo={undo} redo={redo} />
      </BarMore>
    </>
  );
});
