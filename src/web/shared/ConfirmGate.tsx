import { lazy, Suspense, useEffect, useState } from 'react';
import { onConfirmNeeded } from '../store/confirm';

const ConfirmSheet = lazy(() =>
  import('../screens/auth/ConfirmSheet').then((m) => ({ default: m.ConfirmSheet })),
);

/**
 * Shows the sheet that asks for proof again. Loads with the app: a request made before the sheet
 * has loaded waits for it.
 */
export const ConfirmGate = () => {
  const [answer, setAnswer] = useState<((isConfirmed: boolean) => void) | null>(null);
  useEffect(
    () => onConfirmNeeded(() => new Promise<boolean>((resolve) => setAnswer(() => resolve))),
    [],
  );
  if (!answer) return null;
  const close = (isConfirmed: boolean) => {
    answer(isConfirmed);
    setAnswer(null);
  };
  return (
    <Suspense fallback={null}>
      <ConfirmSheet onAnswer={close} />
    </Suspense>
  );
};
