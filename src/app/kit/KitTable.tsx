'use client';

import Box from '@mui/material/Box';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import { useMemo } from 'react';
import { useNonce } from '@/ui/Providers';
import { inletKind, kindOfPart } from '@/core/gear';
import { countOf, openPoints, type KitItem } from '@/core/kit';
import type { Use } from './uses';
import { uncapital } from '@/core/units/format';
import { kitTable as texts } from './texts';

export const ROLES = [
  { role: 'source', label: texts.sources },
  { role: 'link', label: texts.linksAndSupplies },
  { role: 'device', label: texts.devices },
] as const;

interface Row {
  id: string;
  name: string;
  kind: string;
  count: number;
  open: number;
  used: string;
}

interface Props {
  items: readonly KitItem[];
  uses: Record<string, Use[]>;
  search: string;
  selected?: string;
  onSelect: (id: string) => void;
}

export const kindText = (item: KitItem): string =>
  item.role === 'device'
    ? `${item.device.inlets.length} × ${item.device.inlets[0] ? uncapital(inletKind(item.device.inlets[0].kind).label) : texts.inlets}`
    : kindOfPart(item.role, item.part.kind).label;

const columns: GridColDef<Row>[] = [
  { field: 'name', headerName: texts.name, flex: 1.3, minWidth: 150 },
  { field: 'kind', headerName: texts.kind, flex: 1.2, minWidth: 130 },
  { field: 'count', headerName: texts.count, type: 'number', width: 74 },
  {
    field: 'open',
    headerName: texts.toFindOut,
    type: 'number',
    width: 96,
    description: texts.unansweredQuestionsAndAssumedFigures,
  },
  { field: 'used', headerName: texts.usedOn, flex: 1.4, minWidth: 120 },
];

/** Everything in the kit; press a row to see its figures. */
export function KitTable({ items, uses, search, selected, onSelect }: Props) {
  const rows = useMemo(() => {
    const words = search.trim().toLowerCase();
    return items
      .map((item): Row => ({
        id: item.id,
        name: item.register?.retired === undefined ? item.name : texts.retired(item.name),
        kind: kindText(item),
        count: countOf(item),
        open: openPoints(item).length,
        used: [...new Set((uses[item.id] ?? []).flatMap(({ places }) => places))].join(', '),
      }))
      .filter(
        ({ name, kind, used }) => !words || [name, kind, used].some((text) => text.toLowerCase().includes(words)),
      );
  }, [items, uses, search]);
  const nonce = useNonce();
  return (
    <Box sx={{ flex: 1, minHeight: 0, px: { md: 1 } }}>
      <DataGrid
        nonce={nonce}
        rows={rows}
        columns={columns}
        density="compact"
        disableColumnMenu
        hideFooter
        rowSelectionModel={{ type: 'include', ids: new Set(selected ? [selected] : []) }}
        onRowClick={({ id }) => onSelect(String(id))}
        onCellKeyDown={({ id }, event) => {
          if (event.key === 'Enter') onSelect(String(id));
        }}
        localeText={{ noRowsLabel: texts.nothingInTheKitMatches }}
        aria-label={texts.kit}
        sx={{
          border: 0,
          '--DataGrid-t-color-background-base': 'var(--mui-palette-background-default)',
          fontSize: 'body2.fontSize',
          '& .MuiDataGrid-columnSeparator': { color: 'divider' },
          '& .MuiDataGrid-row': { cursor: 'pointer' },
          '& .MuiDataGrid-columnHeader:focus-within, & .MuiDataGrid-cell:focus-within': {
            outline: 2,
            outlineStyle: 'solid',
            outlineColor: 'primary.main',
            outlineOffset: -2,
          },
        }}
      />
    </Box>
  );
}
