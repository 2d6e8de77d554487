import {
  computeCoastDown,
  computeDiscInertia,
  computeFall,
  computeRotorEnergy,
  computeSpringEnergy,
} from '../energy/motion';
import { choice, defineCalculation, figure, InputFault, number, optional } from './define';
import { NOT_NEGATIVE, POSITIVE } from './fields';

const MECHANICS = 'Textbook mechanics; standard gravity 9.80665 m/s² (NIST SP 330)';

export const spring = defineCalculation(
  {
    id: 'spring',
    title: 'Energy of a spring',
    question: 'How hard does this spring strike when its hold is loosened?',
    answer: 'It strikes with {E}.',
    about: 'What a compressed or stretched spring gives back when its hold is loosened.',
    formula: ['E = c x² / 2', 'F = c x'],
    source: MECHANICS,
    caution: 'A preload counts: x is measured from the free length, not from where it sits now.',
    fields: {
      stiffness: number('Stiffness', 'c', 'stiffness', 'N/mm', 9, POSITIVE),
      travel: number('Distance from its free length', 'x', 'length', 'mm', 12, NOT_NEGATIVE),
    },
  },
  ({ stiffness, travel }) => ({
    figures: [figure('Energy', 'E', computeSpringEnergy(stiffness, travel), 'energy', 'J', true)],
    notes: [`Force on whatever holds it: ${(stiffness * travel).toFixed(0)} N.`],
  }),
);

export const raisedMass = defineCalculation(
  {
    id: 'raised-mass',
    title: 'Energy of a raised load',
    question: 'How hard does this load come down?',
    answer: 'It comes down with {E}, at {v}.',
    about: 'What a lid, ram or screw full of feed gives when it comes down.',
    formula: ['E = m g h', 'v = sqrt(2 g h)'],
    source: MECHANICS,
    caution:
      'A load held by oil, a brake or a clutch is not restrained: pin it, prop it or lower it.',
    fields: {
      mass: number('Mass', 'm', 'mass', 'kg', 140, POSITIVE),
      height: number('Height it can fall', 'h', 'length', 'm', 0.9, NOT_NEGATIVE),
    },
  },
  ({ mass, height }) => {
    const { energy, speed } = computeFall(mass, height);
    return {
      figures: [
        figure('Energy', 'E', energy, 'energy', 'J', true),
        figure('Speed on arriving', 'v', speed, 'speed', 'm/s'),
      ],
      notes: [],
    };
  },
);

export const rotor = defineCalculation(
  {
    id: 'rotor',
    title: 'Energy of a rotor, and its coast-down',
    question: 'How long until this stands still?',
    answer: ['It stands still after {t}.', 'It runs with {E}; how long it runs on is not known.'],
    about: 'What a spinning machine holds, and how long it runs on after the drive is cut.',
    isWait: true,
    formula: ['E = I w² / 2', 'solid disc: I = m r² / 2', 'coast-down: t = I w / M'],
    source: MECHANICS,
    caution: 'A time computed proves nothing: see it stand still, then try to start it.',
    fields: {
      body: choice(
        'Inertia',
        { given: 'given', disc: 'a solid disc of this mass and radius' },
        'given',
      ),
      inertia: optional('Moment of inertia', 'I', 'inertia', 'kg m^2', POSITIVE, 0.9),
      mass: optional('Mass of the disc', 'm', 'mass', 'kg', POSITIVE),
      radius: optional('Radius of the disc', 'r', 'length', 'm', POSITIVE),
      speed: number('Speed', 'w', 'rotation', 'rpm', 1450, NOT_NEGATIVE),
      friction: optional('Friction torque, measured', 'M', 'torque', 'N m', POSITIVE),
    },
  },
  ({ body, inertia, mass, radius, speed, friction }) => {
    if (body === 'given' && inertia === undefined) {
      throw new InputFault('inertia', 'Moment of inertia is missing: above 0 kg·m²');
    }
    if (body === 'disc' && (mass === undefined || radius === undefined)) {
      const field = mass === undefined ? 'mass' : 'radius';
      throw new InputFault(field, 'Mass and radius of the disc are needed: both above 0');
    }
    const own = body === 'disc' ? computeDiscInertia(mass ?? 0, radius ?? 0) : (inertia ?? 0);
    return {
      figures: [
        figure(
          'Energy',
          'E',
          computeRotorEnergy(own, speed),
          'energy',
          'kJ',
          friction === undefined,
        ),
        figure('Moment of inertia', 'I', own, 'inertia', 'kg m^2'),
        ...(friction === undefined
          ? []
          : [
              figure(
                'Time to standstill',
                't',
                computeCoastDown(own, speed, friction),
                'time',
                'min',
                true,
              ),
            ]),
      ],
      notes:
        friction === undefined
          ? ['Without a measured friction there is no coast-down time: time one stop and keep it.']
          : [],
    };
  },
);
