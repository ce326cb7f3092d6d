import { useState } from 'react';
import { useDo } from '../../store';
import { ApiError } from '../../store/api';
import { signIn } from '../../store/auth-slice';
import { askPasskey, passkeyProblem } from './passkey';
import { refusalText } from '../../shared/refusal';

/** Signing in: whether it is on its way, and the sentence that says why not. */
export const useSignIn = () => {
  const dispatch = useDo();
  const [isBusy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const come = async (by: Parameters<typeof signIn>[0]): Promise<boolean> => {
    setBusy(true);
    setProblem(null);
    try {
      await dispatch(signIn(by));
      return true;
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
      return false;
    } finally {
      setBusy(false);
    }
  };
  /** By a passkey, of the person the browser offers. */
  const comeByPasskey = async (): Promise<void> => {
    try {
      await come({ passkey: await askPasskey() });
    } catch (error) {
      setProblem(passkeyProblem(error));
    }
  };
  return { come, comeByPasskey, isBusy, problem, setProblem };
};
