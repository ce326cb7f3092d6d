import { useEffect, useState } from 'react';
import type { RecordKind, Records } from '../../../core/shop/records';
import { useDo } from '../../store';
import { readRecord } from '../../store/records-api';

/** A record that is opened to be changed. */
interface RecordToEdit {
  /**
   * As it stood when it was opened; null until it is read. What others change after that is for the
   * server to refuse.
   */
  record: Records[RecordKind] | null;
  /** There is none, or it could not be read. */
  isNone: boolean;
}

const UNREAD: RecordToEdit = { record: null, isNone: false };

/** Reads a record afresh each time that it is opened. An empty id opens none. */
export const useRecordToEdit = (kind: RecordKind, id: string): RecordToEdit => {
  const dispatch = useDo();
  const [read, setRead] = useState({ id: '', ...UNREAD });
  useEffect(() => {
    if (!id) return;
    let isLeft = false;
    const done = (it: RecordToEdit) => !isLeft && setRead({ id, ...it });
    dispatch(readRecord(kind, id)).then(
      (record) => done({ record, isNone: false }),
      () => done({ record: null, isNone: true }),
    );
    return () => {
      isLeft = true;
      setRead({ id: '', ...UNREAD });
    };
  }, [dispatch, kind, id]);
  return id && read.id === id ? read : UNREAD;
};
