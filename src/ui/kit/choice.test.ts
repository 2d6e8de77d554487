import { findChoices } from './choice';

const PEOPLE = [
  { id: 'moss', label: 'Moss Tarrow, Quillmere' },
  { id: 'kit', label: 'Kit Oyelaran, Brightfen' },
  { id: 'lena', label: 'Lena Frostwick, Quillmere' },
];
const ids = (typed: string, choices = PEOPLE) => findChoices(choices, typed).map(({ id }) => id);

describe('what is found among choices', () => {
  it('is everything in its order while nothing is typed', () => {
    expect(ids('  ')).toEqual(['moss', 'kit', 'lena']);
  });

  it('holds every word that is typed, whatever the order and the case', () => {
    expect(ids('quill')).toEqual(['moss', 'lena']);
    expect(ids('QUILLMERE frost')).toEqual(['lena']);
    expect(ids('nobody')).toEqual([]);
  });

  it('has the one whose own number was typed first, then those that begin with it', () => {
    const points = ['XV-P-201', 'P-2010', 'P-201'].map((id) => ({ id, label: `${id} pump` }));
    expect(ids('p-201', points)).toEqual(['P-201', 'P-2010', 'XV-P-201']);
  });
});
