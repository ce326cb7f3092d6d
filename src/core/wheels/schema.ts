import Joi from 'joi';
import { angle, count, listOf, marking, oneOf, quantity, record, text } from '../fields';
import { BUILDS, DISC_SIDES, DRIVES, MACHINE_KINDS, POSITIONS } from './wheel';

const id = text(60, 'The record\u2019s name in the database');

/** What a machine record may hold. */
export const machineSchema: Joi.Schema = record(
  {
    id,
    name: text(80, 'Name of the machine'),
    kind: oneOf(MACHINE_KINDS, 'Kind of machine'),
    rider: text(80, 'The rider'),
    drive: oneOf(DRIVES, 'Drive'),
    placardFrontKpa: quantity('kPa', 20, 600, 'Front pressure on the placard').allow(null),
    placardRearKpa: quantity('kPa', 20, 600, 'Rear pressure on the placard').allow(null),
    fasteners: listOf(
      record(
        {
          name: text(60, 'Name of the fastener'),
          wheel: oneOf(['front', 'rear', 'any'], 'Which wheel it holds'),
          torqueNm: quantity('Nm', 0.1, 1000, 'Torque in the manual').allow(null),
        },
        'A fastener',
      ),
      40,
      'Fasteners with their torque',
    ),
  },
  'A machine',
);

/** What a wheel record may hold. */
export const wheelSchema: Joi.Schema = record(
  {
    id,
    machineId: id,
    position: oneOf(POSITIONS, 'Where the wheel sits'),
    build: oneOf(BUILDS, 'How the rim is made'),
    rimCode: text(40, 'Rim code'),
    tireMarking: marking('The tire on it'),
    tube: Joi.boolean().required().meta({ expected: 'true with a tube, false without' }),
    rimLockDegs: listOf(angle('Place of a rim lock'), 3, 'Rim locks'),
    spokes: count(0, 80, 'Number of spokes'),
    discSide: oneOf(DISC_SIDES, 'Side of the brake disc'),
    rimLimitKpa: quantity('kPa', 20, 1000, 'Limit marked on the rim').allow(null),
  },
  'A wheel',
);
