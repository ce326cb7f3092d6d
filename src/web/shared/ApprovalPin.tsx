import { SecretField } from './SecretField';
import type { ApprovalAtHand } from './use-approval';

/** Spec the PIN of a person who is named and not signed in; nothing otherwise. */
export const ApprovalPin = ({
  approval,
  name,
  problem = null,
}: {
  approval: ApprovalAtHand;
  name: string;
  problem?: string | null;
}) =>
  approval.isNeeded(name) ? (
    <SecretField
      label={`PIN or passphrase of ${name}`}
      who={name}
      value={approval.pin}
      onChange={approval.setPin}
      problem={problem}
    />
  ) : null;
