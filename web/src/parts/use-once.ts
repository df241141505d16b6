import { useRef, useState } from 'react';

/** Something that is done once at a time: pressed again while it is under way, nothing more happens. */
export function useOnce<Given extends unknown[]>(
  work: (...given: Given) => Promise<unknown>,
): { run(...given: Given): void; isUnderWay: boolean } {
  const [isUnderWay, setUnderWay] = useState(false);
  // What is shown follows a moment later; two presses can come before that.
  const going = useRef(false);
  const end = () => {
    going.current = false;
    setUnderWay(false);
  };
  return {
    isUnderWay,
    run(...given) {
      if (going.current) return;
      going.current = true;
      setUnderWay(true);
      void work(...given).finally(end);
    },
  };
}
