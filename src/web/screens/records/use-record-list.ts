import { useState } from 'react';
import type { RecordKind } from '../../../core/shop/records';
import { useDebounced } from '../../parts/use-debounced';
import { useRecordPageQuery, type RecordPage } from '../../store/records-api';

const PAGE = 50;

/** The page of a list of records that is looked at. */
export interface RecordList {
  /** The page; the one before while the next is on its way, undefined before the first. */
  page: RecordPage | undefined;
  isFailed: boolean;
  /** From 0. */
  pageIndex: number;
  pages: number;
  turnTo(pageIndex: number): void;
  /**
   * The field that it is listed by, with a `-` before it for the largest first; empty for the order
   * of the kind.
   */
  sort: string;
  /**
   * Lists by a field, maybe the largest first; again the other way round, and once more as before.
   */
  sortBy(key: string, largestFirst: boolean): void;
}

/** Records of a kind from the server, a page at a time. `only` as `tread:soft`. */
export const useRecordList = (
  kind: RecordKind,
  find: string,
  only: string,
  archived: boolean,
): RecordList => {
  const rested = useDebounced(find);
  const [sort, setSort] = useState('');
  const asked = JSON.stringify([rested, only, archived, sort]);
  // Another list begins at its first page.
  const [turned, setTurned] = useState({ asked, to: 0 });
  const pageIndex = turned.asked === asked ? turned.to : 0;
  const { data, isError } = useRecordPageQuery({
    kind,
    find: rested.trim(),
    only,
    archived: archived ? 'yes' : 'no',
    sort,
    limit: PAGE,
    offset: pageIndex * PAGE,
  });
  const sortBy = (key: string, largestFirst: boolean) => {
    const ways = largestFirst ? [`-${key}`, key] : [key, `-${key}`];
    setSort(ways[ways.indexOf(sort) + 1] ?? '');
  };
  return {
    page: data,
    isFailed: isError && !data,
    pageIndex,
    pages: Math.ceil((data?.total ?? 0) / PAGE),
    turnTo: (to) => setTurned({ asked, to }),
    sort,
    sortBy,
  };
};
