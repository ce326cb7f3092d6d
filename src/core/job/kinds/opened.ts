import { text } from '../../base/fields';
import { complete, recordSchema } from '../../shop/records';
import { type Machine, POSITION_WORDS, type Wheel } from '../../fit/wheels';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The machine, wheel and rider a job was opened with. */
export interface OpenedData {
  machine: Machine;
  wheel: Wheel;
  rider: string;
}

/** A machine as an earlier version may have written it. */
const completeMachine = (machine: Machine): Machine => {
  const whole = complete('machines', machine);
  return {
    ...whole,
    fasteners: whole.fasteners.map((f) => ({
      ...f,
      socket: f.socket ?? null,
      renews: f.renews ?? 'nothing',
    })),
  };
};

export const openedEntry = defineEntry<
  OpenedData,
  { machine: Machine | null; wheel: Wheel | null; rider: string }
>({
  ...WHEEL_WORK,
  author: 'server',
  schema: () => ({
    machine: recordSchema('machines'),
    wheel: recordSchema('wheels'),
    rider: text(80, 'The rider'),
  }),
  text: ({ wheel, machine, rider }) =>
    `Job opened: ${POSITION_WORDS[wheel.position].toLowerCase()}, ${machine.name}, ${rider}`,
  initial: { machine: null, wheel: null, rider: '' },
  apply: (_, { data }) => ({
    rider: data.rider,
    machine: completeMachine(data.machine),
    wheel: complete('wheels', data.wheel),
  }),
});
