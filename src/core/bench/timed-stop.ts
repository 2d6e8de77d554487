import { computeRotorEnergy } from '../energy/motion';
import {
  computeInertiaFromStop,
  computeLongestStop,
  computeMeanFriction,
  computeStopInProportion,
} from '../energy/timed-stop';
import { defineCalculation, figure, InputFault, number, optional } from './define';
import { NOT_NEGATIVE, POSITIVE } from './fields';

/** What one timed stop says of the next. */
export const timedStop = defineCalculation(
  {
    id: 'timed-stop',
    title: 'Friction and time to rest, from a timed stop',
    question: 'We timed one stop: how long from another speed?',
    answer: 'It stands still after {t} at the latest.',
    about:
      'From one stop that was timed: the friction or the inertia behind it, and the longest that a stop from another speed may take.',
    isWait: true,
    formula: [
      'M = I w0 / t0, or I = M t0 / w0',
      'from a lower speed: at most t0; from a higher one: at most t0 w / w0',
      'friction that does not depend on speed: t = t0 w / w0',
    ],
    source: 'Equation of motion (textbook); holds while friction never grows less with speed',
    caution:
      'Belts that slip, a worn brake, a fan in a draught or a pump with flow through it stop otherwise than last time. See it stand still, then try to start it.',
    fields: {
      speed: number('Speed at which the drive was cut', 'w0', 'rotation', 'rpm', 1450, POSITIVE),
      seconds: number('Time until it stood', 't0', 'time', 's', 95, POSITIVE),
      from: number('Speed that is asked about', 'w', 'rotation', 'rpm', 2950, NOT_NEGATIVE),
      inertia: optional('Moment of inertia, if known', 'I', 'inertia', 'kg m^2', POSITIVE),
      torque: optional('Friction or brake torque, if known', 'M', 'torque', 'N m', POSITIVE),
    },
  },
  ({ speed, seconds, from, inertia, torque }) => {
    if (inertia !== undefined && torque !== undefined) {
      throw new InputFault(
        'torque',
        'Give the inertia or the torque, not both: the timed stop gives the other',
      );
    }
    const stop = { speed, seconds };
    const own = torque === undefined ? inertia : computeInertiaFromStop(torque, stop);
    return {
      figures: [
        figure('Longest time to rest', 't', computeLongestStop(stop, from), 'time', 's', true),
        figure(
          'In proportion, for friction that does not depend on speed',
          'tp',
          computeStopInProportion(stop, from),
          'time',
          's',
        ),
        ...(own === undefined
          ? []
          : [
              figure('Moment of inertia', 'I', own, 'inertia', 'kg m^2'),
              figure('Mean friction', 'M', computeMeanFriction(own, stop), 'torque', 'N m'),
              figure(
                'Energy at the speed asked about',
                'E',
                computeRotorEnergy(own, from),
                'energy',
                'kJ',
              ),
            ]),
      ],
      notes: [
        from <= speed
          ? 'From a lower speed only this much is sure: no longer than the stop that was timed.'
          : 'From a higher speed friction is at least what it was: no longer than in proportion.',
      ],
    };
  },
);
