'use client';

import { useMemo } from 'react';
import type { ShopSaid } from '@/core/kit/shopMerge';
import type { SavedShop } from '@/store/shop';
import { useStored } from '@/ui/shell/useStored';

/** What stands in the fields; what is empty is not said. */
export interface ShopFields {
  serial: string;
  item: string;
  unchanged: string;
  again: string;
  /** Numbers of measurements. */
  recordings: { heard: string; silent: string };
  asked: ShopSaid['asked'];
  /** Who is being asked now. */
  question: { who: string; said: string };
  work: { what: string; by: string; on: string; cost: string; warranty: string };
}

interface Draft {
  /** The version that it began from, and what that said. */
  version: number;
  base: ShopSaid;
  form: ShopFields;
}

const saidOf = ({ serial, item, unchanged, asked, done, recordings, again }: ShopSaid): ShopSaid => ({
  asked,
  ...said({ serial, item, unchanged, recordings, done, again }),
});

const fieldsOf = ({
  serial = '',
  item = '',
  unchanged = '',
  again = '',
  asked,
  recordings,
  done,
}: ShopSaid): ShopFields => ({
  serial,
  item,
  unchanged,
  again,
  recordings: { heard: String(recordings?.heard ?? ''), silent: String(recordings?.silent ?? '') },
  asked,
  question: { who: '', said: '' },
  work: { what: '', by: '', on: '', cost: '', warranty: '', ...done },
});

/** What the fields say, as a record has it. @param on today, as year-month-day */
export function saidIn(
  { serial, item, unchanged, again, recordings, asked, question, work }: ShopFields,
  on: string,
): ShopSaid {
  const { what, by, on: day, ...more } = work;
  const numbers = Object.fromEntries(
    Object.entries(recordings).flatMap(([which, number]) => (number ? [[which, Number(number)]] : [])),
  );
  return {
    ...said({ serial: serial.trim(), item, unchanged: unchanged.trim(), again: again.trim() }),
    asked: question.who.trim() ? [...asked, { who: question.who.trim(), said: question.said.trim(), on }] : asked,
    ...(Object.keys(numbers).length && { recordings: numbers }),
    ...(what.trim() && { done: { what: what.trim(), by: by.trim(), on: day, ...said(more) } }),
  };
}

const said = <T extends object>(fields: T): Partial<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== '' && value !== undefined)) as Partial<T>;

/** What is typed for a record and not saved yet; this browser keeps it, whatever becomes of the page. */
export function useShopDraft({ id, at, version, record }: SavedShop) {
  const [latest, setLatest] = useStored(`inlet-check-shop-${id}-${at}`, '');
  const draft = useMemo((): Draft => {
    const kept = parsed(latest);
    // Of what nobody typed in, the newest is shown.
    return kept && (isTyped(kept) || kept.version >= version)
      ? kept
      : { version, base: saidOf(record), form: fieldsOf(record) };
  }, [latest, version, record]);
  const keep = (to: Draft) => setLatest(JSON.stringify(to));
  return {
    draft,
    /** Whether something is typed that nobody has saved. */
    typed: isTyped(draft),
    change: (form: ShopFields) => keep({ ...draft, form }),
    /** Begins anew from what is saved. @param form what stands in the fields besides */
    begin: (saved: SavedShop, form: ShopSaid = saved.record) =>
      keep({ version: saved.version, base: saidOf(saved.record), form: fieldsOf(form) }),
    discard: () => keep({ ...draft, form: fieldsOf(draft.base) }),
    forget: () => setLatest(''),
  };
}

const isTyped = ({ base, form }: Draft): boolean => JSON.stringify(form) !== JSON.stringify(fieldsOf(base));

function parsed(text: string): Draft | undefined {
  try {
    const draft = JSON.parse(text) as Partial<Draft>;
    return draft.form && draft.base && draft.version ? (draft as Draft) : undefined;
  } catch {
    return undefined;
  }
}
