import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { readRun, type RichText, type TextRun } from '#core/text/index';

/** A sentence with its names in bold, and what is typed or sent as code. */
@Component({
  selector: 'app-rich-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@for (run of runs(); track $index) {
    @switch (run.look) {
      @case ('strong') {
        <b>{{ run.text }}</b>
      }
      @case ('code') {
        <code>{{ run.text }}</code>
      }
      @default {
        <span>{{ run.text }}</span>
      }
    }
  }`,
  styles: `
    code {
      font: 13px/19px var(--font-code);
      font-variant-ligatures: none;
      hyphens: none;
      overflow-wrap: anywhere;
    }
    span {
      white-space: pre-wrap;
      overflow-wrap: anywhere;
    }
  `,
})
export class RichTextComponent {
  readonly text = input.required<RichText>();
  protected readonly runs = computed(() =>
    this.text().map((run) => ({ look: nameLook(run), text: readRun(run) })),
  );
}

function nameLook(run: TextRun): 'plain' | 'strong' | 'code' {
  if (typeof run === 'string') return 'plain';
  return 'strong' in run ? 'strong' : 'code';
}
