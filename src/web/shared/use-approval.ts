import { useState } from 'react';
import { useApp } from '../store';
import { api, ApiError } from '../store/api';
import { refusalText } from './refusal';

/** Another person's approval, given with their own PIN at this screen. */
export interface ApprovalAtHand {
  /** People who can be named: the one signed in first. Empty where no one signs in. */
  people: readonly string[];
  /** Whether the name is another person's who signs in here, so that their PIN is needed. */
  isNeeded(name: string): boolean;
  pin: string;
  setPin(pin: string): void;
  /** Sends the PIN when one is needed. Null when the name may be used, else what is wrong. */
  approve(name: string): Promise<string | null>;
}

/**
 * Approval for what is written to one job or visit; `rider` may have the name of someone who works
 * here.
 */
export const useApproval = (about: string, rider: string): ApprovalAtHand => {
  const { areClosed, me, people } = useApp((s) => s.auth);
  const [pin, setPin] = useState('');
  const isNeeded = (name: string) =>
    areClosed && me !== null && name !== me.who && name !== rider && people.includes(name);
  return {
    people: areClosed && me ? [me.who, ...people.filter((p) => p !== me.who)] : [],
    isNeeded,
    pin,
    setPin,
    async approve(name) {
      if (!isNeeded(name)) return null;
      if (pin === '') return `Enter the PIN or passphrase of ${name}.`;
      try {
        await api.approve({ who: name, secret: pin, about });
        setPin('');
        return null;
      } catch (error) {
        if (error instanceof ApiError) return refusalText(error);
        throw error;
      }
    },
  };
};
