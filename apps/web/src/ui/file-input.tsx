import type { RefObject } from 'react';

interface FileInputProps {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly accept: string;
  readonly onChoose: (file: File) => void;
}

/** The browser's own choice of a file, opened by a press elsewhere; the same file can be chosen again. */
export const FileInput = ({ input, label, accept, onChoose }: FileInputProps) => (
  <input
    ref={input}
    type="file"
    accept={accept}
    aria-label={label}
    className="sr-only"
    tabIndex={-1}
    onChange={(event) => {
      const [file] = event.target.files ?? [];
      event.target.value = '';
      if (file) onChoose(file);
    }}
  />
);
