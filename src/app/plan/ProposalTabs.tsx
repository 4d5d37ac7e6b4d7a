'use client';

import CloseIcon from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { MOST_HELD, type Planning } from './usePlanning';
import { proposalTabs as text } from './texts';

interface Props {
  planning: Planning;
  comparing: boolean;
  onCompare: () => void;
}

/** The plans that are kept, the one looked at marked. */
export function ProposalTabs({ planning, comparing, onCompare }: Props) {
  const { held, shown, again, choose, drop } = planning;
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 0.5,
        px: 2,
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
      }}
      role="group"
      aria-label={text.proposalsAtMost(MOST_HELD)}
    >
      {held.map(({ id }) => {
        const on = id === shown?.id;
        return (
          <Box key={id} sx={{ display: 'flex', alignItems: 'center', mr: 1 }}>
            <ButtonBase
              aria-pressed={on}
              onClick={() => choose(id)}
              sx={{
                px: 1,
                py: 0.5,
                fontSize: 'body2.fontSize',
                fontWeight: on ? 700 : 500,
                borderBottom: 2,
                borderColor: on ? 'primary.main' : 'transparent',
                '&:hover': { bgcolor: 'action.hover' },
              }}
            >
              {text.proposal(id)}
            </ButtonBase>
            <IconButton size="small" aria-label={text.dropProposal(id)} onClick={() => drop(id)}>
              <CloseIcon sx={{ fontSize: 15 }} />
            </IconButton>
          </Box>
        );
      })}
      {again !== undefined && again === shown?.id && (
        <Typography variant="body2" color="textSecondary" role="status">
          {text.samePlanAsBefore}
        </Typography>
      )}
      {held.length > 1 && (
        <Button color="inherit" aria-pressed={comparing} onClick={onCompare} sx={{ ml: 'auto' }}>
          {comparing ? text.hideTheComparison : text.compare}
        </Button>
      )}
    </Box>
  );
}
