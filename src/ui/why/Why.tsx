'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { verdictOf, type Answer, type Finding, type LineResult, type Remedy } from '@/core/check';
import { SCHOOLS, schoolLabel } from '@/core/schools';
import { BASIS_LABELS } from '@/core/gear';
import type { Edit } from '@/core/gear/edits';
import { quantity } from '@/core/units/format';
import { TermText } from '../help/TermText';
import { VerdictMark } from '../verdict/VerdictMark';
import { worded } from '@/core/units/conventions';
import { why as text } from './texts';

interface Props {
  result: LineResult;
  onApply: (edits: Edit[]) => void;
  /** An answer of a maker or a manual is recorded with who gave it; without this it is applied like a remedy. */
  onAnswer?: (answer: Answer) => void;
}

/** Why a line has its verdict: the findings, worst first, with their numbers and what mends them. */
export const Why = memo(function Why({ result, onApply, onAnswer }: Props) {
  return (
    <Stack spacing={0} component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {result.findings.length === 0 && (
        <Box component="li">
          <Typography variant="body1">{text.noProblemsFoundEveryPart}</Typography>
        </Box>
      )}
      {result.findings.map((finding, n) => (
        <Box
          component="li"
          key={`${finding.code}${n}`}
          sx={{ pb: 2, mb: 2, borderBottom: 1, borderColor: 'divider', '&:last-of-type': { border: 0 } }}
        >
          <FindingCard finding={finding} onApply={onApply} onAnswer={onAnswer} />
        </Box>
      ))}
    </Stack>
  );
});

function FindingCard({ finding, onApply, onAnswer }: { finding: Finding } & Omit<Props, 'result'>) {
  const { what, why, numbers, remedies, answers, basis, school, severity, consequences, look, assumed } = finding;
  // A question stands by itself; a limit that is only assumed is told above, and a note is nobody's consequence.
  const open = (consequences ?? []).filter((each) => each.what.endsWith('?'));
  const brings = (consequences ?? []).filter((each) => each.code !== 'fact-unproven' && each.severity !== 'note');
  return (
    <Box component="article" aria-label={what}>
      {severity === 'note' ? (
        <Typography variant="caption" color="textSecondary">
          {text.note}
        </Typography>
      ) : (
        <VerdictMark verdict={verdictOf([finding])} />
      )}
      <Typography variant="h2" component="h3" sx={{ mt: 0.25, mb: 0.5 }}>
        {what}
      </Typography>
      <Typography variant="body2">
        <TermText>{why}</TermText>
      </Typography>
      {numbers.length > 0 && (
        <Box
          component="dl"
          sx={{
            m: 0,
            mt: 1,
            display: 'grid',
            gridTemplateColumns: '1fr auto',
            columnGap: 1.5,
            rowGap: 0.25,
            fontSize: 'body2.fontSize',
          }}
        >
          {numbers.map(({ label, value, unit, limit }) => (
            <Box key={label} sx={{ display: 'contents' }}>
              <Box component="dt" sx={{ color: 'text.secondary' }}>
                {worded(label)}
              </Box>
              <Box component="dd" sx={{ m: 0, fontWeight: 650, textAlign: 'right' }}>
                {quantity(value, unit)}
              </Box>
              {limit && (
                <>
                  <Box component="dt" sx={{ color: 'text.secondary', pl: 1.5 }}>
                    {limit.label}{' '}
                    <Box component="span" sx={{ fontStyle: 'italic' }}>
                      ({limit.where ?? BASIS_LABELS[limit.basis]})
                    </Box>
                  </Box>
                  <Box component="dd" sx={{ m: 0, textAlign: 'right' }}>
                    {quantity(limit.value, unit)}
                  </Box>
                </>
              )}
            </Box>
          ))}
        </Box>
      )}
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.75 }}>
        {school
          ? text.yourSchool(SCHOOLS[school.name].question, schoolLabel(school.name, school.choice))
          : text.basedOn(basis)}
        {assumed && text.theLimitIsAssumedNobody}
      </Typography>
      {brings.length > 0 && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
          {text.becauseOf(brings.map((each) => each.what).join('; '))}
        </Typography>
      )}
      {open.map((each) => (
        <Typography key={each.what} variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
          {text.stillToFindOut(each.what)}
        </Typography>
      ))}
      {look && (
        <Typography variant="body2" component="p" sx={{ mt: 0.75 }}>
          {text.noSingleChangeHereFixes(look)}
        </Typography>
      )}
      {remedies.length > 0 && (
        <Stack spacing={0.75} sx={{ mt: 1.25 }}>
          {remedies.map((remedy) => (
            <RemedyButton key={JSON.stringify(remedy.edits)} remedy={remedy} onApply={onApply} />
          ))}
        </Stack>
      )}
      {answers && answers.length > 0 && (
        <Box sx={{ mt: 1.25 }}>
          <Typography variant="caption" color="textSecondary" component="p">
            {text.lookItUpOrAsk}
          </Typography>
          <Stack spacing={0.75} sx={{ mt: 0.5 }}>
            {answers.map((answer) => (
              <RemedyButton
                key={answer.label}
                remedy={answer}
                onApply={onAnswer ? () => onAnswer(answer) : onApply}
                quiet
              />
            ))}
          </Stack>
        </Box>
      )}
    </Box>
  );
}

/** One press mends; what the line is afterwards stands beside it. */
function RemedyButton({ remedy, onApply, quiet }: { remedy: Remedy; onApply: Props['onApply']; quiet?: boolean }) {
  return (
    <ButtonBase
      onClick={() => onApply(remedy.edits)}
      sx={{
        display: 'flex',
        justifyContent: 'space-between',
        gap: 1.5,
        width: '100%',
        textAlign: 'left',
        px: 1.25,
        py: 0.75,
        border: 1,
        borderRadius: 1,
        borderStyle: quiet ? 'dashed' : 'solid',
        borderColor: quiet ? 'divider' : 'primary.main',
        minHeight: 36,
        '&:hover': { backgroundColor: 'action.hover' },
      }}
    >
      <Box>
        <Typography variant="body2" sx={{ fontWeight: 650, color: quiet ? 'text.primary' : 'primary.main' }}>
          {worded(remedy.label)}
        </Typography>
        {remedy.note && (
          <Typography variant="caption" color="textSecondary">
            {remedy.note}
          </Typography>
        )}
        {remedy.others && (
          <Typography
            variant="caption"
            component="p"
            sx={(theme) => ({ color: theme.vars!.palette.verdict.Watch, fontWeight: 600 })}
          >
            {remedy.others}
          </Typography>
        )}
      </Box>
      {remedy.gives && <VerdictMark verdict={remedy.gives} />}
    </ButtonBase>
  );
}
