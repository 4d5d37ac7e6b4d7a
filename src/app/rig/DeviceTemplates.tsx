'use client';

import { DEVICE_TEMPLATES, type DeviceTemplate } from '@/core/rig';
import { TemplateCards } from './TemplateCards';
import { deviceTemplates as text } from './texts';

/** Devices as most of their sort are, one press each; what differs is put right afterwards. */
export const DeviceTemplates = ({ onAdd }: { onAdd: (template: DeviceTemplate) => void }) => (
  <TemplateCards label={text.addADevice} templates={DEVICE_TEMPLATES} width={180} onTake={onAdd} />
);
