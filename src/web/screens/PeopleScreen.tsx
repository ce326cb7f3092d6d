import { useState } from 'react';
import { mayDo } from '../../core/shop/auth';
import { Button } from '../parts/Button';
import { Frame } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { useApp } from '../store';
import { FirstOwner } from './auth/FirstOwner';
import { GuessingList } from './auth/GuessingList';
import { OwnSecretSheet } from './auth/OwnSecretSheet';
import { PeopleList } from './auth/PeopleList';
import { SecondScreenSheet } from './auth/SecondScreenSheet';
import { Sessions } from './auth/Sessions';

type Opened = 'second' | 'secret' | null;

/** The people who can sign in, their roles, and where they are signed in. */
export const PeopleScreen = () => {
  const { areClosed, me } = useApp((s) => s.auth);
  const [opened, setOpened] = useState<Opened>(null);
  const isSignedIn = areClosed && me !== null;
  useKeys(isSignedIn ? [{ key: 'q', label: 'Add a device', run: () => setOpened('second') }] : []);
  if (!isSignedIn)
    return (
      <Frame title="People">
        <FirstOwner />
      </Frame>
    );
  return (
    <Frame
      title="People"
      actions={
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setOpened('secret')}>Change my PIN</Button>
          <Button go hotkey="Q" onClick={() => setOpened('second')}>
            Add a device
          </Button>
        </div>
      }
    >
      {mayDo(me.role, 'govern') && (
        <section className="mb-8">
          <GuessingList />
          <PeopleList />
        </section>
      )}
      <section>
        <h2 className="mb-1 text-2xl">Signed in</h2>
        <Sessions />
      </section>
      {opened === 'second' && <SecondScreenSheet onClose={() => setOpened(null)} />}
      {opened === 'secret' && <OwnSecretSheet who={me.who} onClose={() => setOpened(null)} />}
    </Frame>
  );
};
