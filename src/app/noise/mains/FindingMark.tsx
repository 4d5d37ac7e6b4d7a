import Typography from '@mui/material/Typography';
import type { Verdict } from '@/core/check';
import type { MainsFinding } from '@/core/mains';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { findingMark as text } from './texts';

const VERDICTS: Record<MainsFinding['severity'], Verdict> = { harm: 'Stop', watch: 'Watch', note: 'Clear' };

/** How a finding of the mains side is marked; what nobody can say has no verdict. */
export const FindingMark = ({ finding: { code, severity } }: { finding: MainsFinding }) =>
  code === 'hum-unsure' ? (
    <Typography variant="body2" color="textSecondary" sx={{ fontWeight: 650 }}>
      {text.notKnownYet}
    </Typography>
  ) : (
    <VerdictMark verdict={VERDICTS[severity]} />
  );
