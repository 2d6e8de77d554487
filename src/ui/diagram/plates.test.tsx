import { renderToStaticMarkup } from 'react-dom/server';
import type { Diagram } from '../../core/plant/drawing';
import { toSets, type Marks } from './marks';
import { Plates } from './plates';

const SECTIONS = [
  {
    id: 'TX1-HV',
    name: 'Transformer',
    source: false,
    x: 0,
    y: 0,
    width: 120,
    height: 40,
    more: 0,
    outlets: [{ id: 'ES-TX1', kind: 'earth' }],
  },
] as unknown as Diagram['sections'];
const draw = (marks: Marks) =>
  renderToStaticMarkup(
    <svg>
      <Plates sections={SECTIONS} marks={toSets(marks)} presses={{}} />
    </svg>,
  );

describe('an earth on the diagram', () => {
  it.each<[string, Marks, string, boolean]>([
    ['that is not planned', {}, 'ES-TX1: earth, shut', false],
    ['that is planned', { opened: ['ES-TX1'] }, 'ES-TX1: earth, to be opened', false],
    ['that is on', { opened: ['ES-TX1'], earths: { 'ES-TX1': 'SET-3' } }, 'ES-TX1: earth, earthed with SET-3', true],
  ])('%s', (_, marks, title, isNumbered) => {
    const drawn = draw(marks);
    expect(drawn).toContain(title);
    expect(drawn.includes('>SET-3<')).toBe(isNumbered);
  }); // prettier-ignore
});
