import { InjectionToken } from '@angular/core';

/** How a part of the interface saves a text or a picture as a file; given by the application. */
export const SAVE_FILE = new InjectionToken<
  (name: string, content: string | Blob, type: 'text/csv' | 'image/png') => void
>('SaveFile');
