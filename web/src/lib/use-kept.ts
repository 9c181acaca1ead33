import { useState } from 'react';

const KEY = 'clever-drawer-';

/** A switch of the view that this browser keeps. */
export function useKept(name: string): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(() => localStorage.getItem(KEY + name) === '1');
  return [
    on,
    (next) => {
      setOn(next);
      if (next) localStorage.setItem(KEY + name, '1');
      else localStorage.removeItem(KEY + name);
    },
  ];
}
