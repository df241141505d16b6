import type { DestinationKind } from '@vennet/core/destination';
import { BookOpen, File, Globe, Mail, Signpost, type LucideIcon } from 'lucide-react';
import { memo } from 'react';

export const KIND_WORDS: Record<DestinationKind, string> = {
  web: 'Web page',
  mail: 'Email',
  file: 'File',
  place: 'Place in this book',
  book: 'Another book',
};

const ICONS: Record<DestinationKind, LucideIcon> = {
  web: Globe,
  mail: Mail,
  file: File,
  place: Signpost,
  book: BookOpen,
};

export const KindMark = memo(function KindMark({ kind }: { kind: DestinationKind }) {
  const Icon = ICONS[kind];
  return (
    <span className="inline-flex shrink-0 text-soft">
      <Icon size={15} aria-hidden="true" />
      <span className="sr-only">{KIND_WORDS[kind]}</span>
    </span>
  );
});
