import { ChangeDetectionStrategy, Component } from '@angular/core';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { ROW_COMMANDS } from '../query/row-commands';
import { KEY_GROUPS, OWN_WORDS, type KeyGroup } from './keys-and-words';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

const ROW_KEYS: KeyGroup = {
  get place() {
    return say('shell.queryRows');
  },
  entries: ROW_COMMANDS.map(({ keys, label }) => ({ keys, does: label })),
};

/** All keys by the place where they work, and the words that mean something of their own here. */
@Component({
  selector: 'app-keys-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS],
  template: `
    <h2 mat-dialog-title>{{ 'shell.keysAndWords' | say }}</h2>
    <mat-dialog-content tabindex="0">
      <div class="groups">
        @for (group of groups; track group.place) {
          <section [attr.aria-label]="group.place">
            <h3>{{ group.place }}</h3>
            <dl>
              @for (entry of group.entries; track $index) {
                <div>
                  <dt>
                    <kbd>{{ entry.keys }}</kbd>
                  </dt>
                  <dd>{{ entry.does }}</dd>
                </div>
              }
            </dl>
          </section>
        }
        <section [aria-label]="'shell.words' | say">
          <h3>{{ 'shell.words' | say }}</h3>
          <dl>
            @for (entry of words; track entry.word) {
              <div>
                <dt>
                  <b>{{ entry.word }}</b>
                </dt>
                <dd>{{ entry.means }}</dd>
              </div>
            }
          </dl>
        </section>
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-flat-button type="button" mat-dialog-close>{{ 'shared.close' | say }}</button>
    </mat-dialog-actions>
  `,
  styles: `
    .groups {
      columns: 2 320px;
      column-gap: 28px;
    }
    section {
      break-inside: avoid-column;
      margin-bottom: 14px;
    }
    h3 {
      margin: 0 0 4px;
      font-size: 14px;
    }
    dl {
      margin: 0;
    }
    dl div {
      display: grid;
      grid-template-columns: 112px 1fr;
      gap: 8px;
      padding: 2px 0;
      border-top: 1px solid var(--hair);
    }
    dd {
      margin: 0;
    }
    kbd {
      font-family: var(--font-code);
      font-size: 13px;
    }
  `,
})
export class KeysDialogComponent {
  protected readonly groups = [...KEY_GROUPS, ROW_KEYS];
  protected readonly words = OWN_WORDS;
}
