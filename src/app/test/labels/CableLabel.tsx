'use client';

import { QRCodeSVG } from 'qrcode.react';
import { connectorOf, isOwn, lengthOf } from '@/core/testing';
import type { KitItem } from '@/core/kit';
import { sortOf } from '../words';
import { cableLabel as text } from './texts';

/** One label, 62 mm wide: wraps around a cable once, or goes on its strap. @param address what its code opens */
export function CableLabel({ item, address }: { item: KitItem; address: string }) {
  if (!isOwn(item)) return null;
  return (
    <li
      style={{
        display: 'flex',
        gap: 8,
        alignItems: 'center',
        width: '62mm',
        minHeight: '24mm',
        padding: '2mm',
        border: '1px dashed #888',
        breakInside: 'avoid',
        boxSizing: 'border-box',
      }}
    >
      <QRCodeSVG value={address} size={72} title={text.opens(item.name)} style={{ flex: 'none' }} />
      <div style={{ minWidth: 0, overflowWrap: 'anywhere' }}>
        <strong style={{ fontSize: '1.1rem' }}>{item.name}</strong>
        <div>{sortOf({ connector: connectorOf(item), length: lengthOf(item) })}</div>
      </div>
    </li>
  );
}
