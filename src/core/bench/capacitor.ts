import {
  computeCapacitorEnergy,
  computeDischargeResistor,
  computeDischargeTime,
  computePeak,
  DISCHARGED_VOLTS,
} from '../energy/electric';
import { choice, defineCalculation, figure, number, optional } from './define';
import { POSITIVE } from './fields';

export const capacitor = defineCalculation(
  {
    id: 'capacitor',
    title: 'Discharge of a capacitor',
    question: 'How long until these terminals may be tested?',
    answer: [
      'It is below 50 V after {t50}: test, short it, and leave it shorted.',
      'It keeps {E}, and nothing discharges it.',
    ],
    about:
      'How long to wait before its terminals may be tested, and the resistor that makes it so.',
    isWait: true,
    formula: [
      'E = C U0² / 2',
      't = R C ln(U0 / 50 V)',
      'R = t / (C ln(U0 / 50 V))',
      'U0 = 1.414 U on alternating voltage',
    ],
    source:
      'Textbook electricity; 50 V within 5 min: practice, IEC 60364 touch voltage (from memory)',
    caution:
      'A resistor may be open and a fuse may strand charge: wait, test, short the terminals and leave them shorted, for it recovers.',
    fields: {
      charged: choice(
        'Charged by',
        { alternating: 'alternating voltage (peak counts)', direct: 'direct voltage' },
        'alternating',
      ),
      voltage: number('Voltage', 'U', 'voltage', 'V', 400, POSITIVE),
      capacitance: number('Capacitance', 'C', 'capacitance', 'uF', 3000, POSITIVE),
      resistance: optional('Discharge resistor', 'R', 'resistance', 'kohm', POSITIVE, 30),
      within: number('To be discharged within', 't', 'time', 'min', 5, POSITIVE),
    },
  },
  ({ charged, voltage, capacitance, resistance, within }) => {
    const peak = charged === 'alternating' ? computePeak(voltage) : voltage;
    const resistor = computeDischargeResistor(capacitance, within, peak, DISCHARGED_VOLTS);
    const wait =
      resistance === undefined
        ? undefined
        : computeDischargeTime(capacitance, resistance, peak, DISCHARGED_VOLTS);
    const tau = (resistance ?? resistor ?? 0) * capacitance;
    return {
      figures: [
        ...(wait === undefined ? [] : [figure('Time to 50 V', 't50', wait, 'time', 'min', true)]),
        figure(
          'Energy',
          'E',
          computeCapacitorEnergy(capacitance, peak),
          'energy',
          'J',
          wait === undefined,
        ),
        figure('Voltage it may hold', 'U0', peak, 'voltage', 'V'),
        ...(resistor === undefined
          ? []
          : [figure('Largest resistor for that time', 'Rmax', resistor, 'resistance', 'kohm')]),
      ],
      notes: [
        ...(resistor === undefined
          ? ['It is at 50 V or below already: still short it before touching.']
          : []),
        ...(wait === undefined
          ? [
              "Without a resistor it keeps its charge for days: discharge it by hand, by the maker's rule.",
            ]
          : []),
      ],
      ...(tau > 0 && resistor !== undefined
        ? {
            curve: {
              x: { label: 'time', quantity: 'time' as const, unit: 'min' },
              y: { label: 'voltage', quantity: 'voltage' as const, unit: 'V' },
              points: Array.from({ length: 61 }, (_, n) => {
                const t = (n / 60) * 1.3 * tau * Math.log(peak / DISCHARGED_VOLTS);
                return [t, peak * Math.exp(-t / tau)] as const;
              }),
              level: { label: '50 V', value: DISCHARGED_VOLTS },
            },
          }
        : {}),
    };
  },
);
