import { startTransition, useState } from 'react';

/** Searches the list of a room. What is typed shows at once; a long list follows as it can. */
export function SearchField({
  label,
  placeholder,
  search,
}: {
  label: string;
  placeholder: string;
  search(words: string): void;
}) {
  const [typed, setTyped] = useState('');
  return (
    <label className="mt-3 block">
      <span className="sr-only">{label}</span>
      <input
        className="field w-56"
        type="search"
        placeholder={placeholder}
        value={typed}
        onChange={({ target: { value } }) => {
          setTyped(value);
          startTransition(() => search(value.trim().toLowerCase()));
        }}
      />
    </label>
  );
}
