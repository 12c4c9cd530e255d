import type { Ref } from 'react';

/** A button that asks for a file; the same one may be chosen again. */
export function FileChoice({
  name,
  accept,
  input,
  onFile,
}: {
  name: string;
  accept: string;
  input?: Ref<HTMLInputElement>;
  onFile: (file: File) => Promise<void>;
}) {
  return (
    <label className="btn mt-2 inline-flex min-h-[44px] cursor-pointer items-center focus-within:outline-2">
      {name}
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void onFile(file);
          event.target.value = '';
        }}
      />
    </label>
  );
}
