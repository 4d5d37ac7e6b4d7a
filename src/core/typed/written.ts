import { linkKind, sourceKind } from '../gear';
import { endsInLink, startsAtLink, type RigDocument } from '../rig/document';

/** Lines as somebody would type them: `ribbon "Trio left" > 10 m > Hold desk 3`. One that begins or ends at another line's link cannot be. */
export const typedText = (document: RigDocument, ids: readonly string[]): string =>
  document.lines
    .flatMap((line) => {
      if (!ids.includes(line.id) || startsAtLink(line) || endsInLink(line)) return [];
      const { device, inlet } = line.inlet;
      const plain = (text: string) => text.replaceAll(/[>;"“”\n]/g, ' ').trim();
      return [
        [
          `${plain(line.source.name ?? sourceKind(line.source.kind).label)} "${plain(line.name)}"`,
          ...line.links.map((part) => plain(part.name ?? linkKind(part.kind).label)),
          `${plain(document.devices.find(({ id }) => id === device)?.name ?? device)} ${inlet}`,
        ].join(' > '),
      ];
    })
    .join('\n');
