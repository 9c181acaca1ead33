import { useRef } from 'react';
import Button, { type ButtonProps } from 'react-bootstrap/Button';

/** A button that lets a JSON file be chosen, and hands it on; the same file may be chosen again after it was mended. `name` is the name of the field. */
export function FileButton({
  name,
  choose,
  ...rest
}: { readonly name: string; readonly choose: (file: File) => void } & Omit<ButtonProps, 'name' | 'onClick'>) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={picker}
        type="file"
        accept=".json,application/json"
        className="visually-hidden"
        tabIndex={-1}
        aria-label={name}
        onChange={({ target }) => {
          const file = target.files?.[0];
          if (file !== undefined) choose(file);
          target.value = '';
        }}
      />
      <Button variant="outline-primary" {...rest} onClick={() => picker.current?.click()} />
    </>
  );
}
