import { Link } from 'react-router';
import { ROLE_WORDS } from '../../core/shop/auth';
import { useApp, useDo } from '../store';
import { lockScreen, signOut } from '../store/auth-slice';
import { Button } from '../parts/Button';

/** The person signed in at this bench, and how someone else signs in. */
export const SignedInMenu = () => {
  const dispatch = useDo();
  const me = useApp((s) => s.auth.me);
  if (!me) return null;
  return (
    <>
      <p className="head text-xl">
        {me.who}, {me.role}
      </p>
      <p className="text-[15px] text-ink2">{ROLE_WORDS[me.role]}</p>
      <div className="flex flex-wrap gap-2">
        <Button go small onClick={() => void dispatch(lockScreen())}>
          Lock or switch
        </Button>
        <Button small onClick={() => void dispatch(signOut())}>
          Sign out
        </Button>
        <Link className="btn btn-small" to="/people">
          My PIN, devices
        </Link>
      </div>
    </>
  );
};
