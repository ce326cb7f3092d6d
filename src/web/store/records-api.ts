import type { RecordKind, Records, TireStock } from '../../core/shop/records';
import type { Machine, Wheel } from '../../core/fit/wheels';
import type { AppDispatch } from '.';
import { loadShop } from './shop-slice';
import { visitsApi } from './visits-api';

/** A machine and its wheels. */
export interface MachineWithWheels {
  machine: Machine;
  wheels: Wheel[];
}

/** The filter and the order of a list of records of a kind. */
interface PageAsked {
  kind: RecordKind;
  find: string;
  /** `tread:soft`; empty for all. */
  only?: string;
  archived?: 'yes' | 'no';
  /** A field, with a `-` before it for the largest first; empty for the order of the kind. */
  sort?: string;
  limit: number;
  offset?: number;
}

/** A page of records, how many fit, and the names of the machines that they speak of. */
export interface RecordPage {
  records: Records[RecordKind][];
  total: number;
  machines: Record<string, string>;
}

const TAGGED = visitsApi.enhanceEndpoints({ addTagTypes: ['Record'] });

const queryOf = (asked: object): string =>
  new URLSearchParams(
    Object.entries(asked)
      .filter(([, value]) => value !== '')
      .map(([key, value]) => [key, String(value)]),
  ).toString();

/** Records from the server, those that a screen needs. */
const recordsApi = TAGGED.injectEndpoints({
  endpoints: (build) => ({
    recordPage: build.query<RecordPage, PageAsked>({
      query: ({ kind, ...asked }) => `/records/${kind}?${queryOf(asked)}`,
      providesTags: ['Record'],
    }),
    record: build.query<Records[RecordKind], { kind: RecordKind; id: string }>({
      query: ({ kind, id }) => `/records/${kind}/${encodeURIComponent(id)}`,
      providesTags: ['Record'],
    }),
    machinesFound: build.query<
      { machines: MachineWithWheels[]; total: number },
      { find: string; limit: number }
    >({ query: (asked) => `/machines?${queryOf(asked)}`, providesTags: ['Record'] }),
    machine: build.query<MachineWithWheels, string>({
      query: (id) => `/machines/${encodeURIComponent(id)}`,
      providesTags: ['Record'],
    }),
    tiresFor: build.query<TireStock[], number>({
      query: (rimIn) => `/tires?rim=${rimIn}`,
      transformResponse: ({ tires }: { tires: TireStock[] }) => tires,
      providesTags: ['Record'],
    }),
  }),
});

export const {
  useRecordPageQuery,
  useRecordQuery,
  useMachinesFoundQuery,
  useMachineQuery,
  useTiresForQuery,
} = recordsApi;

/** The record as it stands now. Rejects where it cannot be had. */
export const readRecord =
  <K extends RecordKind>(kind: K, id: string) =>
  async (dispatch: AppDispatch): Promise<Records[K]> => {
    // An answer that is under way may be older than what this browser wrote meanwhile, and would be
    // taken for this one.
    await dispatch(recordsApi.util.getRunningQueryThunk('record', { kind, id }));
    const asked = recordsApi.endpoints.record.initiate(
      { kind, id },
      { forceRefetch: true, subscribe: false },
    );
    return (await dispatch(asked).unwrap()) as Records[K];
  };

/**
 * Marks what was read of the shop as old: it is read again, where a screen shows it. Ends when the
 * screen shows it as it now is: who then opens what is listed gets what the list says.
 */
export const shopChanged =
  () =>
  async (dispatch: AppDispatch): Promise<void> => {
    const settled = () => Promise.all(dispatch(recordsApi.util.getRunningQueriesThunk()));
    dispatch(recordsApi.util.invalidateTags(['Record']));
    await dispatch(loadShop());
    // What was under way holds the reading back until it has ended: then comes the reading itself.
    await settled();
    await settled();
  };
