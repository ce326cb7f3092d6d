import { QRCodeSVG } from 'qrcode.react';
import { Dialog } from 'radix-ui';
import { useEffect } from 'react';
import { Button } from '../../parts/Button';
import { Failed, Waiting } from '../../shared/Frame';
import { Sheet } from '../../parts/Sheet';
import { useNow } from '../../parts/use-now';
import { useMakeCodeMutation, type SignInCode } from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';

const TICK_MS = 1000;

/**
 * The address of the shop for a tablet: as this browser has it, or, on the shop's own machine, as
 * the server says.
 */
const addressFor = (addresses: readonly string[]): string | null =>
  /^(localhost|127\.|\[::1\])/.test(window.location.hostname)
    ? (addresses[0] ?? null)
    : window.location.origin;

const Code = ({ made, onAgain }: { made: SignInCode; onAgain: () => void }) => {
  const leftS = Math.ceil((Date.parse(made.endsAt) - useNow(TICK_MS)) / 1000);
  const address = addressFor(made.addresses);
  const link = `${address ?? window.location.origin}/come-in#${made.code}`;
  if (leftS <= 0)
    return (
      <>
        <p className="my-4 text-xl">This code has expired.</p>
        <Button go onClick={onAgain}>
          New code
        </Button>
      </>
    );
  return (
    <>
      <p className="mb-3">Scan with the tablet or phone. It signs in as you.</p>
      <div className="inline-block rounded-2xl border-2 border-ink bg-white p-3">
        <QRCodeSVG
          value={link}
          size={260}
          level="M"
          marginSize={2}
          title="Code to sign in a device"
        />
      </div>
      <p className="num mt-3 text-xl">
        {Math.floor(leftS / 60)}:{String(leftS % 60).padStart(2, '0')} left, one device
      </p>
      {address === null && (
        <p role="alert" className="mt-2 border-l-8 border-check pl-3">
          No other device can reach this shop yet. Start it with HOST=0.0.0.0. Until then the code
          works in another browser on this computer.
        </p>
      )}
      {window.location.protocol === 'https:' && (
        <p className="mt-2 text-[16px] text-ink2">
          A new tablet asks whether to trust this shop: open{' '}
          <a className="underline" href="/certificate.crt">
            its certificate
          </a>{' '}
          once on it, at the address below followed by /certificate.crt.
        </p>
      )}
      <p className="mt-3">
        <a className="break-all underline" href={link} target="_blank" rel="noreferrer">
          {link.replace(/#.*/, '')}
        </a>
      </p>
    </>
  );
};

/** A code that signs in a second browser. */
export const SecondScreenSheet = ({ onClose }: { onClose: () => void }) => {
  const [make, { data, error }] = useMakeCodeMutation();
  useEffect(() => void make(), [make]);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Sheet title="Add a device" closes="Done" widthPx={420}>
        {error && (
          <Failed message={serverProblem(error)}>
            <Button onClick={() => void make()}>Try again</Button>
          </Failed>
        )}
        {!error && !data && <Waiting what="Making a code" />}
        {data && <Code made={data} onAgain={() => void make()} />}
      </Sheet>
    </Dialog.Root>
  );
};
