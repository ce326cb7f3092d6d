import { text } from '../../../base/fields';
import { defineVisitEntry } from '../define-entry';
import { ID } from '../fields';

/** A machine that came in; `machineId` is null for a loose wheel over the counter. */
export interface OpenedData {
  machineId: string | null;
  machineName: string;
  rider: string;
}

export const openedEntry = defineVisitEntry<OpenedData, OpenedData>({
  author: 'server',
  undo: 'never',
  schema: {
    machineId: ID.allow(null),
    machineName: text(80, 'The machine'),
    rider: text(80, 'The rider'),
  },
  text: ({ machineName, rider }) => `${machineName} checked in, ${rider}`,
  initial: { machineId: null, machineName: '', rider: '' },
  apply: (_, { data }) => data,
});
