import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';

/** A key and what it does; a foot pedal that types it works as well. */
export interface KeyAction {
  key: string;
  label: string;
  run: () => void;
}

interface KeyBoard {
  bind(actions: readonly KeyAction[]): () => void;
  list(): KeyAction[];
  /** No key of the screen works until the answer is called. */
  pause(): () => void;
}

const Keys = createContext<KeyBoard | null>(null);

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Listens for keys once for the whole app; what was bound last wins. */
export const KeysProvider = ({ children }: { children: ReactNode }) => {
  const layers = useRef<(readonly KeyAction[])[]>([]);
  const pauses = useRef(0);

  const bind = useCallback((actions: readonly KeyAction[]) => {
    layers.current.push(actions);
    return () => {
      layers.current = layers.current.filter((l) => l !== actions);
    };
  }, []);

  const list = useCallback(() => {
    const byKey = new Map<string, KeyAction>();
    for (const layer of layers.current) for (const action of layer) byKey.set(action.key, action);
    return [...byKey.values()];
  }, []);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // A pedal held down counts once; what a control has taken for itself is its own.
      if (
        event.defaultPrevented ||
        event.repeat ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        isTyping(event.target)
      )
        return;
      if (pauses.current > 0) return;
      const pressed = event.key.length === 1 ? event.key.toLowerCase() : event.key;
      const action = list().find((a) => a.key === pressed);
      if (!action) return;
      event.preventDefault();
      action.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [list]);

  const pause = useCallback(() => {
    pauses.current++;
    return () => void pauses.current--;
  }, []);

  const board = useMemo(() => ({ bind, list, pause }), [bind, list, pause]);
  return <Keys.Provider value={board}>{children}</Keys.Provider>;
};

const useBoard = (): KeyBoard => {
  const board = useContext(Keys);
  if (!board) throw new Error('Keys are used outside their provider');
  return board;
};

/** Stands inside what opens over the screen: while it is shown, keys belong to it alone. */
export const KeysPause = () => {
  const { pause } = useBoard();
  useEffect(() => pause(), [pause]);
  return null;
};

/** Binds keys while the component is shown. */
export const useKeys = (actions: readonly KeyAction[]): void => {
  const { bind } = useBoard();
  const latest = useRef(actions);
  // Before it is seen: a key that is pressed the moment a step shows is meant for that step.
  useLayoutEffect(() => {
    latest.current = actions;
  });
  const signature = actions.map((a) => `${a.key}:${a.label}`).join('|');
  useLayoutEffect(
    () =>
      bind(
        latest.current.map(({ key, label }) => ({
          key,
          label,
          run: () => latest.current.find((a) => a.key === key)?.run(),
        })),
      ),
    [bind, signature],
  );
};

/** The keys that work right now, read when asked. */
export const useKeyList = () => {
  const { list } = useBoard();
  const [keys, setKeys] = useState<KeyAction[]>([]);
  return [keys, useCallback(() => setKeys(list()), [list])] as const;
};
