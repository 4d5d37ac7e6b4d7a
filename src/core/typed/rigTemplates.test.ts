import { rigPaths, emptyRig, readDocument } from '../rig';
import { checkRig } from '../rigcheck';
import { readTyped } from '.';
import { RIG_TEMPLATES, withRigTemplate } from './rigTemplates';

describe.each(RIG_TEMPLATES)('$name', (template) => {
  const rig = withRigTemplate(emptyRig('trial'), template);

  test('is a rig, and each of its lines is understood whole', () => {
    expect(() => readDocument(structuredClone(rig))).not.toThrow();
    const wanted = template.lines.reduce((sum, line) => sum + Number(/^(\d) x/.exec(line)?.[1] ?? 1), 0);
    expect(rig.lines).toHaveLength(wanted);
    expect(rig.lines.filter(({ note }) => note)).toEqual([]);
    expect(readTyped({ ...rig, lines: [] }, [], template.lines.join('\n')).flatMap(({ open }) => open)).toEqual([]);
  });

  test('no line of it is at Stop or Silent', () => {
    const bad = checkRig(rig).lines.filter(({ verdict }) => verdict === 'Stop' || verdict === 'Silent');
    expect(bad.map(({ id, findings }) => `${id}: ${findings[0].what}`)).toEqual([]);
    expect(rigPaths(rig)).toHaveLength(rig.lines.length);
  });
});
