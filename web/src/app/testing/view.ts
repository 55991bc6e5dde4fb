import { TestBed } from '@angular/core/testing';
import type { EnvironmentProviders, Provider, Type } from '@angular/core';
import { findDialect, writeQuery, type Dialect } from '#core/dialect/index';
import { parseQuery } from '#core/query/index';
import type { CountState, Counted } from '../counting/count-state';

/** A component as it is drawn. */
export interface View<Component> {
  readonly component: Component;
  readonly element: HTMLElement;
  /** Draws it again after something has changed. */
  draw(): void;
  setInput(name: string, value: unknown): void;
  /** All that it says, with single blanks. */
  text(): string;
  /** A button, field or region by what a screen reader calls it. */
  find<Element extends HTMLElement = HTMLElement>(role: string, name: string | RegExp): Element;
}

const SELECTORS: Readonly<Record<string, string>> = {
  button: 'button',
  checkbox: 'input[type=checkbox]',
  radio: 'input[type=radio], button[role=radio]',
  textbox: 'input:not([type=checkbox], [type=radio]), textarea',
  combobox: '[role=combobox]',
  group: '[role=group], fieldset',
};

/** Draws a component with some inputs, beside stand-ins for what it is given. */
export function drawView<Component>(
  component: Type<Component>,
  inputs: Readonly<Record<string, unknown>> = {},
  providers: readonly (Provider | EnvironmentProviders)[] = [],
): View<Component> {
  TestBed.configureTestingModule({ providers: [...providers] });
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  const element = fixture.nativeElement as HTMLElement;
  return {
    component: fixture.componentInstance,
    element,
    draw: () => fixture.detectChanges(),
    setInput: (name, value) => {
      fixture.componentRef.setInput(name, value);
      fixture.detectChanges();
    },
    text: () => (element.textContent ?? '').replace(/\s+/g, ' ').trim(),
    find: <Element extends HTMLElement>(role: string, name: string | RegExp): Element => {
      const all = [...document.querySelectorAll<Element>(SELECTORS[role] ?? `[role=${role}]`)];
      const found = all.find((one) => {
        const words = nameElement(one);
        return typeof name === 'string' ? words === name : name.test(words);
      });
      if (!found)
        throw new Error(`There is no ${role} “${String(name)}” among ${all.map(nameElement).join(', ')}.`);
      return found;
    },
  };
}

/** The name of an element: its label, or what it says. */
function nameElement(element: HTMLElement): string {
  const label = element.getAttribute('aria-label');
  const words =
    label ??
    (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement
      ? [...(element.labels ?? [])].map(({ textContent }) => textContent ?? '').join(' ')
      : (element.querySelector('legend')?.textContent ?? element.textContent ?? ''));
  return words.replace(/\s+/g, ' ').trim();
}

/** A count of a query in one database, as counting gives it. */
export function createCounted(text: string, id: string, state: CountState): Counted {
  const { root } = parseQuery(text);
  const dialect = getDialect(id);
  const rendering = writeQuery(root, dialect);
  return {
    root,
    rendering,
    countKey: { database: id, string: rendering.text, sentLimiters: {} },
    state,
    limiters: {},
    missingLimiters: [],
  };
}

/** A dialect that is known to be there. */
export function getDialect(id: string): Dialect {
  const dialect = findDialect(id);
  if (!dialect) throw new Error(`There is no dialect ${id}.`);
  return dialect;
}
