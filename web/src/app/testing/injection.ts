import '@angular/compiler';
import { TestBed } from '@angular/core/testing';
import { BrowserTestingModule, platformBrowserTesting } from '@angular/platform-browser/testing';

let isStarted = false;

/** Makes Angular's injection and effects work in tests without a browser; no template is drawn. */
export function startInjection(): typeof TestBed {
  if (!isStarted) {
    // The platform asks that there be a document, and does nothing with it.
    Object.assign(globalThis, { document: globalThis.document ?? {} });
    TestBed.initTestEnvironment(BrowserTestingModule, platformBrowserTesting());
    isStarted = true;
  }
  return TestBed;
}
