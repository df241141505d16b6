import { reportFile, REPORT_FORMS } from '@vennet/client';
import { ChevronDown, FileDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { openBook } from '../book/open-book.js';

const WORDS: Record<(typeof REPORT_FORMS)[number], string> = {
  html: 'Web page, to read',
  pdf: 'PDF, to print or send',
  csv: 'Findings as a table (CSV)',
  destinations: 'Destinations as a table (CSV)',
  json: 'Everything as data (JSON)',
  earl: 'EARL, for other checkers (JSON-LD)',
};

/** The report that is handed to an editor or a customer. */
export function ReportMenu({ book }: { book: string }) {
  const save = async (form: (typeof REPORT_FORMS)[number]) => {
    // What was typed a moment ago is in the report too.
    await openBook().texts.saveAll();
    const link = document.createElement('a');
    link.href = reportFile(book, form);
    link.download = '';
    link.click();
  };
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="button">
        <FileDown size={16} aria-hidden="true" /> Report <ChevronDown size={14} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="end">
          {REPORT_FORMS.map((form) => (
            <DropdownMenu.Item key={form} className="menu-item" onSelect={() => void save(form)}>
              {WORDS[form]}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
