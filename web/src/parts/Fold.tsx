import { ChevronRight } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import type { ReactNode } from 'react';

/** Something that is folded under its words. */
export const Fold = ({
  words,
  isOpen = false,
  children,
}: {
  words: string;
  /** It is open at first. */
  isOpen?: boolean;
  children: ReactNode;
}) => (
  <Collapsible.Root className="mt-4" defaultOpen={isOpen}>
    <Collapsible.Trigger className="group flex cursor-pointer items-center gap-1 text-left">
      <ChevronRight
        size={15}
        aria-hidden="true"
        className="shrink-0 text-soft transition-transform group-data-[state=open]:rotate-90"
      />
      {words}
    </Collapsible.Trigger>
    <Collapsible.Content>{children}</Collapsible.Content>
  </Collapsible.Root>
);
