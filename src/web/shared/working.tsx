import { BASIS_WORDS } from '../../core/base/basis';
import { upperFirst } from '../../core/base/text-case';
import { Dialog } from 'radix-ui';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import type { Working, WorkingLine } from '../../core/base/working';
import { useKeys } from '../parts/keys';
import { useUnits } from './quantity';
import { VerdictMark } from '../parts/VerdictMark';
import { Sheet } from '../parts/Sheet';

const LineValue = ({ line }: { line: WorkingLine }) => {
  const { say } = useUnits();
  const { value, unit } = line;
  if (typeof value === 'string') return <>{value}</>;
  return (
    <>
      {unit
        ? say(
            value,
            unit,
            unit === 'mm' || unit === 'Nm' || unit === 'g' ? { digits: 1 } : undefined,
          )
        : Math.round(value * 1000) / 1000}
    </>
  );
};

/** Any working: its lines with the numbers filled in, what they rest on, and the cautions. */
export const WorkingView = ({
  working,
  children,
}: {
  working: Working;
  /** The result, if it is shown at all: after the verdict, before the arithmetic. */ children?: ReactNode;
}) => {
  const { tell } = useUnits();
  return (
    <div>
      {working.verdict && (
        <p className="mb-3 text-lg">
          <VerdictMark verdict={working.verdict} />
        </p>
      )}
      {children}
      <dl className="rows">
        {working.lines.map((line, i) => (
          <div
            key={i}
            className="grid grid-cols-[minmax(45%,1fr)_auto] gap-x-4 border-b border-stone3 py-2"
          >
            <dt>
              {line.label}
              <span className="block text-[15px] text-ink2">{line.formula}</span>
            </dt>
            <dd className="num self-center text-right text-lg">
              <LineValue line={line} />
            </dd>
          </div>
        ))}
      </dl>
      {working.basis.length > 0 && (
        <>
          <h3 className="mt-5 mb-1 text-lg">Sources</h3>
          <ul className="space-y-1">
            {working.basis.map((b, i) => (
              <li key={i} className="text-[16px]">
                <span className="mr-2 font-semibold">{BASIS_WORDS[b.kind]}</span>
                {tell(b)}
              </li>
            ))}
          </ul>
        </>
      )}
      {working.cautions.length > 0 && (
        <ul className="caution mt-5 space-y-1">
          {working.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      )}
    </div>
  );
};

interface Shown {
  title: string;
  working: Working;
}

interface SheetControl {
  show(shown: Shown): void;
  setMain(shown: Shown | null): void;
}

const SheetContext = createContext<SheetControl | null>(null);
/**
 * Apart from the setters, so that a station that sets its main working is not drawn again for it.
 */
const MainContext = createContext<Shown | null>(null);

/** One sheet for every working; W opens the main one of the screen. */
export const WorkingSheet = ({ children }: { children: ReactNode }) => {
  const [open, setOpen] = useState<Shown | null>(null);
  const [main, setMain] = useState<Shown | null>(null);
  const show = useCallback((shown: Shown) => setOpen(shown), []);
  const sheet = useMemo(() => ({ show, setMain }), [show]);
  useKeys(main ? [{ key: 'w', label: 'Show the math', run: () => setOpen(main) }] : []);
  return (
    <SheetContext.Provider value={sheet}>
      <MainContext.Provider value={main}>{children}</MainContext.Provider>
      <Dialog.Root open={open !== null} onOpenChange={(is) => !is && setOpen(null)}>
        <Sheet title={open && upperFirst(open.title)} closes="Close the math" widthPx={520} onTop>
          {open && <WorkingView working={open.working} />}
        </Sheet>
      </Dialog.Root>
    </SheetContext.Provider>
  );
};

export const useSheet = (): SheetControl => {
  const sheet = useContext(SheetContext);
  if (!sheet) throw new Error('The working sheet is used outside its provider');
  return sheet;
};

/** The working that W opens right now. */
export const useMain = (): Shown | null => useContext(MainContext);

/** Makes a working the one that W opens while this screen is shown. */
export const useMainWorking = (title: string, working: Working | null): void => {
  const { setMain } = useSheet();
  useEffect(() => {
    setMain(working ? { title, working } : null);
    return () => setMain(null);
  }, [setMain, title, working]);
};

/** The basis of a number, one tap from its whole working. */
export const BasisTag = ({
  title,
  working,
  children,
}: {
  title: string;
  working: Working;
  children?: ReactNode;
}) => {
  const { show } = useSheet();
  const kind = working.basis[0]?.kind;
  return (
    <button
      type="button"
      className="-my-2 inline-flex min-h-12 min-w-12 cursor-pointer items-center"
      onClick={() => show({ title, working })}
    >
      <span className="basis">{children ?? (kind ? BASIS_WORDS[kind] : 'math')}</span>
      <span className="sr-only">, show the math for {title}</span>
    </button>
  );
};
