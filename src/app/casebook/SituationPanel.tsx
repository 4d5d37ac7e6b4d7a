'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { lineSummary } from '@/core/check';
import { DEFAULT_SCHOOLS, SCHOOL_NAMES, SCHOOLS, type SchoolName, type Schools } from '@/core/schools';
import { asRig, type Situation } from '@/core/check/casebook';
import { worded } from '@/core/units/conventions';
import { ask } from '@/ui/shell/ask';
import { Strip } from '@/ui/strip/Strip';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { Why } from '@/ui/why/Why';
import { situationPanel as text } from './texts';

const OF_VERDICTS = SCHOOL_NAMES.filter((name) => SCHOOLS[name].decides === 'verdict');

/** Every other choice of a school that would change the verdict or what is told. */
function whatIfs({ line, schools }: Situation) {
  const now = { ...DEFAULT_SCHOOLS, ...schools } as Schools;
  const told = (chosen: Schools) => {
    const { verdict, findings } = lineSummary(line, chosen);
    return { verdict, key: JSON.stringify([verdict, findings.map(({ code, severity }) => [code, severity])]) };
  };
  const before = told(now).key;
  return OF_VERDICTS.flatMap((name) =>
    SCHOOLS[name].options
      .filter(({ value }) => value !== now[name])
      .flatMap(({ value, label }) => {
        const { verdict, key } = told({ ...now, [name]: value });
        return key === before ? [] : [{ name, value, label, verdict }];
      }),
  );
}

/** One situation: drawn, judged, with what other schools would say; opened as a rig to be changed. */
export function SituationPanel({ situation }: { situation: Situation }) {
  const { what, because, basis, line, schools, verdict } = situation;
  const [school, setSchool] = useState<{ name: SchoolName; value: string }>();
  const router = useRouter();
  const [failed, setFailed] = useState<string>();
  const [opening, setOpening] = useState(false);
  const chosen = useMemo(
    () => ({ ...DEFAULT_SCHOOLS, ...schools, ...(school && { [school.name]: school.value }) }) as Schools,
    [schools, school],
  );
  const result = useMemo(() => lineSummary(line, chosen), [line, chosen]);
  const others = useMemo(() => whatIfs(situation), [situation]);
  const openAsRig = async () => {
    setOpening(true);
    setFailed(undefined);
    const { body, failed: why } = await ask<{ id: string }>('/api/rigs', { method: 'POST', json: asRig(situation) });
    if (body) router.push(`/rig?rig=${body.id}&line=line`);
    else {
      setFailed(why);
      setOpening(false);
    }
  };
  return (
    <Box sx={{ px: 2.5, py: 2, overflowY: 'auto', height: '100%' }}>
      <Typography variant="panel" component="h2" sx={{ pr: 4 }}>
        {worded(what)}
      </Typography>
      <Box data-testid="verdict" sx={{ mt: 0.5 }}>
        <VerdictMark verdict={school ? result.verdict : verdict} size="large" />
      </Box>
      <Typography variant="body2" sx={{ mt: 1 }}>
        {worded(because)}
      </Typography>
      <Typography variant="caption" color="textSecondary" component="p">
        {text.basis(basis)}
      </Typography>
      <Box sx={{ my: 1.5, mx: -1 }}>
        <Strip result={result} room={360} />
      </Box>
      <Button variant="outlined" onClick={() => void openAsRig()} disabled={opening}>
        {text.openAsARig}
      </Button>
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {failed}
        </Alert>
      )}
      {others.length > 0 && (
        <Box component="section" aria-label={text.whatOtherSchoolsSay} sx={{ mt: 2.5 }}>
          <Typography variant="h3" gutterBottom>
            {text.whatOtherSchoolsSay}
          </Typography>
          {others.map(({ name, value, label, verdict: theirs }) => {
            const on = school?.name === name && school.value === value;
            return (
              <Button
                key={name + value}
                color="inherit"
                aria-pressed={on}
                onClick={() => setSchool(on ? undefined : { name, value })}
                sx={{
                  display: 'flex',
                  width: '100%',
                  justifyContent: 'space-between',
                  textAlign: 'left',
                  gap: 1.5,
                  borderTop: 1,
                  borderColor: 'divider',
                  borderRadius: 0,
                  bgcolor: on ? 'action.selected' : undefined,
                }}
              >
                <span>
                  {SCHOOLS[name].question}: {label}
                </span>
                <VerdictMark verdict={theirs} />
              </Button>
            );
          })}
        </Box>
      )}
      <Box component="section" aria-label={text.whatTheCheckSays} sx={{ mt: 2.5 }}>
        <Typography variant="h3" gutterBottom>
          {text.whatTheCheckSays}
        </Typography>
        <Why result={result} onApply={() => undefined} />
      </Box>
    </Box>
  );
}
