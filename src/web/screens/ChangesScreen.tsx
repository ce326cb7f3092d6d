import { fieldsOfKind, type RecordKind, type ShopChange } from '../../core/shop/records';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { momentText } from '../parts/moment-text';
import { useUnits } from '../shared/quantity';
import { useNow } from '../parts/use-now';
import { useApp } from '../store';
import { useChangesInfiniteQuery } from '../store/changes-api';
import { serverProblem } from '../shared/server-problem';

const MAX_LETTERS = 80;

const plain = (value: unknown): string => {
  if (value === null || value === undefined || value === '') return 'nothing';
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > MAX_LETTERS ? `${text.slice(0, MAX_LETTERS)} …` : text;
};

/** The name of a changed thing, in the words of its screen, and how its values are said. */
const useWords = () => {
  const rules = useApp((s) => s.shop.shop?.rules) ?? [];
  const { say } = useUnits();
  return ({ kind, of, name, field }: ShopChange) => {
    if (kind === 'people' || kind === 'sign-ins' || kind === 'clock')
      return { what: name, field: field ?? '', value: plain };
    if (kind !== 'rules') {
      const label =
        fieldsOfKind(kind as RecordKind).find((f) => f.key === field)?.label ?? field ?? '';
      return { what: name, field: label.toLowerCase(), value: plain };
    }
    const rule = rules.find((r) => r.key === of);
    const value = (v: unknown) =>
      typeof v === 'number' && rule?.unit ? say(v, rule.unit) : plain(v);
    return { what: rule?.says ?? name, field: '', value };
  };
};

const Change = ({ change, nowMs }: { change: ShopChange; nowMs: number }) => {
  const { what, field, value } = useWords()(change);
  return (
    <li className="grid items-baseline gap-x-4 gap-y-1 border-b border-stone3 py-2 md:grid-cols-[120px_150px_100px_minmax(0,1.4fr)_minmax(0,1.6fr)]">
      <span className="flex flex-wrap items-baseline gap-x-3 md:contents">
        <span className="num text-[16px]">{momentText(change.at, nowMs)}</span>
        <span className="head text-lg">{change.who ?? 'no name given'}</span>
        <span className="text-[16px] text-ink2">{change.kind}</span>
      </span>
      <span className="[overflow-wrap:anywhere]">{what}</span>
      <span className="[overflow-wrap:anywhere]">
        {change.field === null ? (
          'new'
        ) : (
          <>
            {field && <span className="text-ink2">{field}: </span>}
            {change.kind !== 'sign-ins' && (
              <>
                <span className="num">{value(change.from)}</span>
                <span className="text-ink2"> became </span>
              </>
            )}
            <span className="num">{value(change.to)}</span>
          </>
        )}
        {change.reason && <span className="block text-[15px] text-ink2">{change.reason}</span>}
      </span>
    </li>
  );
};

/** The changes of records, rules and people: by whom, from what to what. */
export const ChangesScreen = () => {
  const nowMs = useNow();
  const { data, error, refetch, hasNextPage, isFetching, fetchNextPage } =
    useChangesInfiniteQuery();
  const changes = data?.pages.flatMap((p) => p.changes) ?? [];
  return (
    <Frame
      title="Change log"
      actions={
        <a className="btn" href="/api/changes.csv">
          Export CSV
        </a>
      }
    >
      {error && !data && (
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
        </Failed>
      )}
      {!error && !data && <Waiting what="Loading changes" />}
      {data && changes.length === 0 && (
        <p className="py-10 text-center text-xl text-ink2">
          No changes yet. Work on a wheel is in its job log.
        </p>
      )}
      {changes.length > 0 && (
        <ul className="rows" aria-label="Changes">
          {changes.map((change, i) => (
            <Change
              key={`${change.at} ${change.of} ${change.field ?? ''} ${i}`}
              change={change}
              nowMs={nowMs}
            />
          ))}
        </ul>
      )}
      {hasNextPage && (
        <Button className="mt-4" disabled={isFetching} onClick={() => void fetchNextPage()}>
          {isFetching ? 'Loading …' : 'Show earlier'}
        </Button>
      )}
    </Frame>
  );
};
