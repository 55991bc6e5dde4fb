import { SELECT_PARTS } from '../ui/field-parts';
import { shortenName } from '#core/text/index';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { getAmount } from '../counting/count-state';
import { OpenProject } from '../state/open-project';
import { formatAmount } from '../ui/number-format';
import { getHueClass } from '../ui/hues';
import { describeBasis } from '../counting/describe-count';
import { QueryDesk } from './query-desk';
import { QueryNumbers, type GroupMember } from './query-numbers';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What the group at hand would find without each of its members. */
@Component({
  selector: 'app-dominant-member',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, SELECT_PARTS],
  template: `
    <div class="head">
      <h2>{{ 'query.whatTheCountDependsOn' | say }}</h2>
      <mat-form-field class="small"
        ><mat-label>{{ 'shared.database' | say }}</mat-label
        ><mat-select (selectionChange)="numbers.choose($event.value)" [value]="numbers.database()?.id">
          @for (dialect of open.dialects(); track dialect.id) {
            <mat-option [value]="dialect.id">
              {{ shorten(dialect) }}
            </mat-option>
          }
        </mat-select></mat-form-field
      >
    </div>
    @if (members(); as list) {
      <ul>
        @for (member of list; track $index) {
          <li>
            {{ (member.isExcluded ? 'query.withoutNot' : 'query.without') | say }}
            <span class="code" [class]="member.hue + ' name'">{{ member.label }}</span>
            {{ member.total }}
            @if (member.basis) {
              <span class="basis">{{ member.basis }}</span>
            }
          </li>
        }
      </ul>
    } @else {
      <p class="quiet">{{ 'query.aGroupOfTwo' | say }}</p>
    }
  `,
  styles: `
    .head {
      display: flex;
      align-items: baseline;
      justify-content: space-between;
      margin: 12px 0 4px;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 16px;
      margin: 0;
      padding: 0;
      list-style: none;
      color: var(--mute);
    }
    .basis {
      color: var(--warn);
    }
    .name {
      color: var(--hue, var(--ink));
      font-weight: 600;
    }
  `,
})
export class DominantMemberComponent {
  protected readonly open = inject(OpenProject);
  protected readonly numbers = inject(QueryNumbers);
  private readonly desk = inject(QueryDesk);
  protected readonly shorten = shortenName;

  protected readonly members = computed(() => {
    const rows = this.desk.rows();
    const withouts = this.numbers.withouts();
    const focused = this.desk.focused();
    const at = rows.findIndex((row) => row.key === focused?.key);
    const depth = focused?.depth ?? 0;
    // The group of the row, or the nearest group round it.
    const around = rows.slice(0, at + 1).reverse();
    let level = depth + 1;
    for (const row of around) {
      if (row.depth >= level) continue;
      level = row.depth;
      const list = withouts.get(row.key);
      if (!list || list.length < 2) continue;
      return list.map((member) => {
        const amount = getAmount(member.counted?.state);
        return {
          ...member,
          hue: this.hueOf(member.block),
          total: amount ? formatAmount(amount) : describeMissing(member),
          basis: member.counted && amount ? describeBasis(member.counted).join(', ') : '',
        };
      });
    }
    return undefined;
  });

  private hueOf(block: string | undefined): string {
    const place = this.open.concepts().findIndex((concept) => concept.block === block);
    return place === -1 ? '' : getHueClass(place);
  }
}

/** What stands in the place of a number: it is on its way, or there will be none. */
function describeMissing({ counted, isOff, isLast }: GroupMember): string {
  if (isOff) return say('shared.switchedOff');
  if (isLast) return say('shared.nothingIsLeft');
  return !counted || counted.state.status === 'waiting' ? '…' : '—';
}
