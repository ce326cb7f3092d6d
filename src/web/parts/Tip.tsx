import { Tooltip } from 'radix-ui';
import type { ReactElement } from 'react';

/**
 * A word for a sign, for who points at it or comes to it by key; on a phone its label alone says
 * it.
 */
export const Tip = ({ label, children }: { label: string; children: ReactElement }) => (
  <Tooltip.Root>
    <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
    <Tooltip.Portal>
      <Tooltip.Content
        sideOffset={6}
        className="z-50 rounded-lg border-2 border-ink bg-paper px-2 py-1 text-[15px]"
      >
        {label}
      </Tooltip.Content>
    </Tooltip.Portal>
  </Tooltip.Root>
);
