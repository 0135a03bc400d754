'use client';
import type { ReactNode } from 'react';

export interface FileKeyProps {
  /** Endings or types, as a file field takes them. */
  accept: string;
  /** Where the words on the key do not say enough. */
  name?: string;
  title?: string;
  multiple?: boolean;
  className?: string;
  children: ReactNode;
  onFiles(files: File[]): void;
}

/** A key that asks for files. The same file may be chosen twice in a row. */
export function FileKey({
  accept,
  name,
  title,
  multiple = false,
  className = 'key',
  children,
  onFiles,
}: FileKeyProps) {
  return (
    <label className={className} title={title}>
      {children}
      <input
        type="file"
        aria-label={name}
        accept={accept}
        multiple={multiple}
        className="sr-only"
        onChange={(event) => {
          const files = [...(event.currentTarget.files ?? [])];
          event.currentTarget.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
    </label>
  );
}

/** What pictures come as. */
export const PICTURE_FILES = 'image/png,image/gif,image/webp,image/jpeg,.ora';
