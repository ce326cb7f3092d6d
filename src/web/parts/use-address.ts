import { useCallback, useState } from 'react';
import { useLocation, useNavigationType, useSearchParams } from 'react-router';

/**
 * A value that stands in the address as well. It changes at once, as a field that is typed into
 * must, and the address follows; Back and Forward bring the value of their address.
 */
export const useAddress = <T>(
  read: (params: URLSearchParams) => T,
  write: (params: URLSearchParams, value: T) => void,
): [T, (to: T, push?: boolean) => void] => {
  const [params, setParams] = useSearchParams();
  const { key } = useLocation();
  const by = useNavigationType();
  const [seen, setSeen] = useState(key);
  const [value, setValue] = useState(() => read(params));
  if (key !== seen) {
    setSeen(key);
    if (by === 'POP') setValue(read(params));
  }
  const set = useCallback(
    (to: T, push = false) => {
      setValue(to);
      setParams(
        (now) => {
          write(now, to);
          return now;
        },
        { replace: !push },
      );
    },
    [setParams, write],
  );
  return [value, set];
};

const putText = (params: URLSearchParams, values: Record<string, string>): void => {
  for (const [k, v] of Object.entries(values)) {
    if (v) params.set(k, v);
    else params.delete(k);
  }
};

/**
 * Several texts of the address by name; an empty one does not stand there. `names` is the same list
 * at every draw.
 */
export const useAddressTexts = <K extends string>(
  names: readonly K[],
): [Record<K, string>, (part: Partial<Record<K, string>>, push?: boolean) => void] => {
  const [values, set] = useAddress<Record<K, string>>(
    useCallback(
      (params) =>
        Object.fromEntries(names.map((n) => [n, params.get(n) ?? ''])) as Record<K, string>,
      [names],
    ),
    putText,
  );
  return [values, useCallback((part, push) => set({ ...values, ...part }, push), [set, values])];
};
