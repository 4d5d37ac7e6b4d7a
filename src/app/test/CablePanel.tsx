'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { cableState, cableTable } from '@/core/testing';
import type { SavedCableTest } from '@/store/testing';
import { LocalTime } from '@/ui/shell/LocalTime';
import { ask } from '@/ui/shell/ask';
import { resultText } from './words';
import { cablePanel as text } from './texts';

interface Props {
  tests: SavedCableTest[];
  onTests: (to: SavedCableTest[]) => void;
  onTold: (message: string) => void;
}

/** So many are told; the others are in the database. */
const MOST = 60;

/** What a kept test says in a few words. */
const resultOf = ({ connector, observations }: SavedCableTest): string =>
  resultText(cableState(cableTable(connector), observations));

/** Cables that were tested, the newest first. */
export function CablePanel({ tests, onTests, onTold }: Props) {
  const shown = useMemo(() => tests.slice(0, MOST), [tests]);
  const told = useMemo(() => {
    const results = new Map<string, string>();
    return shown.map((test) => {
      const key = JSON.stringify([test.connector, test.observations]);
      const result = results.get(key) ?? resultOf(test);
      results.set(key, result);
      return result;
    });
  }, [shown]);
  const remove = async (test: SavedCableTest) => {
    const { failed } = await ask(`/api/cable-tests/${test.id}`, { method: 'DELETE' });
    if (failed) return onTold(text.notRemoved(failed));
    onTests(tests.filter(({ id }) => id !== test.id));
    onTold(text.removedTheTest(test.label));
  };
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {text.testedCables}
      </Typography>
      {tests.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {text.noneYetEachTest}
        </Typography>
      )}
      <Box component="ul" aria-label={text.testedCables} sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((test, n) => (
          <Box
            component="li"
            key={test.id}
            sx={{ display: 'flex', gap: 1, alignItems: 'center', borderBottom: 1, borderColor: 'divider', py: 0.75 }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography variant="body2" sx={{ fontWeight: 650 }}>
                {test.label}
              </Typography>
              <Typography variant="body2">{told[n]}</Typography>
              <Typography variant="caption" color="textSecondary">
                <LocalTime at={test.at} />
                {test.who && `, ${test.who}`}
              </Typography>
            </Box>
            <Button onClick={() => void remove(test)} aria-label={text.removeTheTest(test.label)}>
              {text.remove}
            </Button>
          </Box>
        ))}
      </Box>
      {tests.length > MOST && (
        <Typography variant="caption" color="textSecondary">
          {text.olderOnesAreKept(tests.length - MOST)}
        </Typography>
      )}
    </Box>
  );
}
