'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { DeviceTemplate } from '@/core/rig';
import { RIG_TEMPLATES, type RigTemplate } from '@/core/typed';
import { fileDrop } from '@/ui/files/fileDropped';
import { DeviceTemplates } from './DeviceTemplates';
import type { RigEntry } from './RigMenu';
import { TemplateCards } from './TemplateCards';
import { startView as text } from './texts';

interface Props {
  rigs: readonly RigEntry[];
  onRig: (template: RigTemplate) => void;
  onDevice: (template: DeviceTemplate) => void;
  onOwnDevice: () => void;
  onList: () => void;
  onDrop: (file: File) => void;
}

/** The demo, by its id. */
const DEMO = 'lock-nine';

/** An empty rig: four ways to begin, the quickest first. */
export function StartView({ rigs, onRig, onDevice, onOwnDevice, onList, onDrop }: Props) {
  const demo = rigs.find(({ id }) => id === DEMO);
  return (
    <Box
      component="main"
      id="sheet"
      tabIndex={-1}
      {...fileDrop(onDrop)}
      sx={{ gridArea: 'sheet', p: { xs: 2, md: 3 }, maxWidth: 900, overflowY: { md: 'auto' } }}
    >
      <Typography variant="h1" component="h2" gutterBottom>
        {text.anEmptyRig}
      </Typography>
      <Typography variant="body1" sx={{ mb: 2.5 }}>
        {text.pickWhatComesClosestNames}
      </Typography>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {text.startFromARig}
      </Typography>
      <Box sx={{ mb: 2.5 }}>
        <TemplateCards label={text.startFromARig} templates={RIG_TEMPLATES} width={230} onTake={onRig} />
      </Box>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {text.orFromYourDevicesThen}
      </Typography>
      <DeviceTemplates onAdd={onDevice} />
      <Button variant="outlined" onClick={onOwnDevice} sx={{ mt: 1, mb: 2.5 }}>
        {text.setUpAnotherDevice}
      </Button>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {text.orFromAListYou}
      </Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {text.pasteOrDropAnInput}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        <Button variant="outlined" onClick={onList}>
          {text.importAnInputList}
        </Button>
        {demo && (
          <Button variant="outlined" href={`/rig?rig=${DEMO}`}>
            {text.openTheDemo(demo.name)}
          </Button>
        )}
      </Box>
    </Box>
  );
}
