import type { ComponentType } from 'react';
import type { StationId } from '../../core/job';
import { Balance } from './Balance';
import { Choose } from './Choose';
import { HandOver } from './HandOver';
import { Intake } from './Intake';
import { Seat } from './Seat';
import { SetPressure } from './SetPressure';
import { Steps } from './Steps';
import { WheelBack } from './WheelBack';

/** The screen of each station. */
export const STATION_VIEWS: Record<StationId, ComponentType> = {
  intake: Intake,
  choose: Choose,
  'wheel-off': Steps,
  'tire-off': Steps,
  inspect: Steps,
  'tire-on': Steps,
  seat: Seat,
  set: SetPressure,
  balance: Balance,
  'wheel-back': WheelBack,
  'hand-over': HandOver,
};
