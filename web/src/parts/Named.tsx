import { Tooltip } from 'radix-ui';
import type { ReactElement } from 'react';

/** The name of a button that shows a mark alone, on hover and on focus. The button itself says it to screen readers. */
export const Named = ({ words, children }: { words: string; children: ReactElement }) => (
  <Tooltip.Provider delayDuration={350}>
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content className="name-shown" sideOffset={6} aria-hidden="true">
          {words}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  </Tooltip.Provider>
);
