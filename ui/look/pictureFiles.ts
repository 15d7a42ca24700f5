'use client';
import { useEffect, useRef } from 'react';

/** What phones and computers write. */
export const PICTURE_KINDS = 'image/*,.heic,.heif,.avif';

const isPicture = (file: File): boolean => file.type.startsWith('image/') || /\.(heic|heif|avif)$/i.test(file.name);

/** Takes pictures that are pasted or dropped anywhere on the page; null: nobody here wants them. */
export function useDroppedPictures(onPictures: ((files: readonly File[]) => void) | null): void {
  const latest = useRef(onPictures);
  useEffect(() => {
    latest.current = onPictures;
  });
  useEffect(() => {
    const take = (event: Event, data: DataTransfer | null) => {
      const files = [...(data?.files ?? [])].filter(isPicture);
      if (files.length === 0 || !latest.current) return;
      event.preventDefault();
      latest.current(files);
    };
    const onPaste = (event: ClipboardEvent) => take(event, event.clipboardData);
    const onDrop = (event: DragEvent) => take(event, event.dataTransfer);
    const onOver = (event: DragEvent) => latest.current && event.preventDefault();
    window.addEventListener('paste', onPaste);
    window.addEventListener('drop', onDrop);
    window.addEventListener('dragover', onOver);
    return () => {
      window.removeEventListener('paste', onPaste);
      window.removeEventListener('drop', onDrop);
      window.removeEventListener('dragover', onOver);
    };
  }, []);
}
