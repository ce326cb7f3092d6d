import type {
  AuthenticationResponseJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser';
import { api, ApiError } from '../../store/api';
import { refusalText } from '../../shared/refusal';

/** Passkeys belong to a host name, and browsers offer them on secure pages only. */
export const canUsePasskey = (): boolean =>
  window.isSecureContext &&
  'PublicKeyCredential' in window &&
  !/^[\d.]+$|:/.test(window.location.hostname);

/** Loads the package once it is needed: most people sign in by PIN. */
const webauthn = () => import('@simplewebauthn/browser');

/**
 * Asks the browser for a passkey against a challenge of the server. Throws what the browser or the
 * server refuses.
 */
export const askPasskey = async (): Promise<AuthenticationResponseJSON> => {
  const optionsJSON = await api.passkeyChallenge<PublicKeyCredentialRequestOptionsJSON>();
  return (await webauthn()).startAuthentication({ optionsJSON });
};

/**
 * Makes a passkey in this browser and adds it under a label. Throws what the browser or the server
 * refuses.
 */
export const addPasskey = async (label: string): Promise<void> => {
  const optionsJSON = await api.newPasskeyChallenge();
  const { startRegistration } = await webauthn();
  await api.addPasskey({ label, passkey: await startRegistration({ optionsJSON }) });
};

/** Why a passkey did not work, as a sentence. */
export const passkeyProblem = (error: unknown): string =>
  error instanceof ApiError
    ? refusalText(error)
    : 'The passkey was not used. Try again or use the passphrase.';
