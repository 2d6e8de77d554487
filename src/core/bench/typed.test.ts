import { findCalculation, listStartInputs, type TypedInputs } from '.';
import { readText } from './typed';
import type { Quantity } from '../units';

describe('figures as people type them', () => {
  it.each<[Quantity, string, number, string | undefined, string | undefined]>([
    ['gauge-pressure', '7 barg', 7, 'bar', 'gauge'],
    ['gauge-pressure', '100 psig', 100, 'psi', 'gauge'],
    ['gauge-pressure', '14.7psia', 14.7, 'psi', 'absolute'],
    ['absolute-pressure', '1.2 bar(a)', 1.2, 'bar', 'absolute'],
    ['gauge-pressure', '2 kg/cm2 g', 2, 'kgf/cm^2', 'gauge'],
    ['gauge-pressure', '10 inHg abs', 10, 'inHg', 'absolute'],
    ['gauge-pressure', '300 mmWC gauge', 300, 'mmH2O', 'gauge'],
    ['gauge-pressure', '250 kPag', 250, 'kPa', 'gauge'],
    ['gauge-pressure', '100 Paa', 100, 'Pa', 'absolute'],
    ['temperature', '70 °F', 70, 'degF', undefined],
    ['temperature', '530 R', 530, 'degR', undefined],
    ['volume-flow', '250 gpm', 250, 'gpm', undefined],
    ['volume-flow', '2000CFM', 2000, 'cfm', undefined],
    ['volume-flow', '3 m³/h', 3, 'm^3/h', undefined],
    ['energy', '5 ft·lbf', 5, 'ft lbf', undefined],
    ['torque', '5 ft-lb', 5, 'lbf ft', undefined],
    ['energy', '1e3 Btu', 1000, 'BTU', undefined],
    ['resistance', '5 mΩ', 5, 'mohm', undefined],
    ['ratio', '12 %', 12, '%', undefined],
    ['length', '.5 in', 0.5, 'inch', undefined],
    ['length', '-3', -3, undefined, undefined],
  ])('%s: %s', (quantity, text, value, unit, sense) => {
    expect(readText(quantity, text)).toEqual({ value, unit, sense });
  });

  it.each<[Quantity, string, string]>([
    ['gauge-pressure', '0.5 bar', 'gauge or absolute: 0.5 barg or 0.5 bara'],
    ['gauge-pressure', '7 atmospheres', 'must be in one of'],
    // Case counts: a millipascal is no megapascal, and a megaohm no milliohm.
    ['modulus', '5 mPa', 'must be in one of'],
    ['resistance', '5 MOHM', 'must be in one of'],
    ['length', '0,5 m', 'with a point'],
    ['length', '1,200 m', 'with a point'],
    ['length', 'five', 'must be a number'],
    ['length', '', 'must be a number'],
    ['length', '5 constructor', 'must be in one of'],
  ])('%s: refuses "%s"', (quantity, text, says) => {
    expect(readText(quantity, text)).toContain(says);
  });

  const run = (id: string, changes: TypedInputs) => {
    const calculation = findCalculation(id);
    return calculation?.run({ ...listStartInputs(calculation.fields), ...changes });
  };
  const mainOf = (result: ReturnType<typeof run>) =>
    result?.ok ? result.figures.find(({ isMain }) => isMain)?.value : JSON.stringify(result);

  it('counts an absolute pressure from the atmosphere that was given, and a gauge one too', () => {
    const gauge = mainOf(run('gas-energy', { pressure: { value: 7, unit: 'bar' } }));
    expect(mainOf(run('gas-energy', { pressure: '8.01325 bara' }))).toBeCloseTo(Number(gauge), 6);
    expect(mainOf(run('gas-energy', { pressure: '7 barg' }))).toBe(gauge);
    const high = { ambient: { value: 0.8, unit: 'bar' } };
    expect(mainOf(run('gas-energy', { ...high, pressure: '7.8 bara' }))).toBeCloseTo(
      Number(mainOf(run('gas-energy', { ...high, pressure: '7 barg' }))),
      6,
    );
    expect(run('gas-energy', { ambient: '-0.1 barg', pressure: '7 barg' })).toMatchObject({
      ok: true,
    });
  });

  it('asks for the unit of what is more than a plain number', () => {
    expect(JSON.stringify(run('gas-energy', { volume: '5' }))).toContain(
      'must have its unit, such as m³',
    );
    expect(run('gas-energy', { k: '1.3' })).toMatchObject({ ok: true });
  });
});
