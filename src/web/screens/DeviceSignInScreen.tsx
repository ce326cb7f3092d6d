import { useEffect, useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { Waiting } from '../shared/Frame';
import { useSignIn } from './auth/use-sign-in';

/**
 * A second browser comes in by a code that another one showed; the code stands behind `#`, where no
 * server sees it.
 */
export const DeviceSignInScreen = () => {
  const navigate = useNavigate();
  const { come, problem } = useSignIn();
  const isTried = useRef(false);
  useEffect(() => {
    if (isTried.current) return;
    isTried.current = true;
    const code = window.location.hash.slice(1);
    window.history.replaceState(null, '', '/come-in');
    void come({ code: code || '-' }).then((isIn) => isIn && void navigate('/', { replace: true }));
  }, [come, navigate]);
  return (
    <main className="mx-auto max-w-2xl p-8">
      <h1 className="text-3xl">Add a device</h1>
      {problem === null ? (
        <Waiting what="Signing in" />
      ) : (
        <>
          <p role="alert" className="my-4 text-xl text-stop">
            {problem}
          </p>
          <Link className="btn" to="/">
            Use PIN or phrase
          </Link>
        </>
      )}
    </main>
  );
};
