import { Injectable, inject } from '@angular/core';
import type { LogNote, PlainSource } from '#core/project/index';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';
import { Dialogs } from '../ui/dialogs';
import { Messages } from '../ui/messages';
import { say } from '../words/say';
import type { ShownEntry } from './log-view';
import type { SourceAnswer } from './source-dialog.component';

/** What a person does with lines of the log: writes notes and sources, and goes back to a point. */
@Injectable()
export class LogEntries {
  private readonly open = inject(OpenProject);
  private readonly dialogs = inject(Dialogs);
  private readonly messages = inject(Messages);

  addNote(): void {
    this.askNote({ id: this.open.createId(), moment: writeMoment(this.open.now()), text: '' });
  }

  addSource(): void {
    this.askSource(this.open.createId(), writeMoment(this.open.now()), undefined);
  }

  edit({ kind, id }: ShownEntry): void {
    const note = kind === 'note' && this.findNote(id);
    const source = kind === 'source' && this.findSource(id);
    if (note) this.askNote(note);
    if (source) this.askSource(source.id, source.moment, source);
  }

  remove({ kind, id }: ShownEntry): void {
    const note = kind === 'note' && this.findNote(id);
    const source = kind === 'source' && this.findSource(id);
    if (note) {
      this.open.change({ kind: 'remove-note', id: note.id });
      this.messages.show(say('logbook.noteRemoved'), () => this.open.change({ kind: 'keep-note', note }));
    }
    if (source) {
      this.open.change({ kind: 'remove-source', id: source.id });
      this.messages.show(say('logbook.removedRun', { name: source.name }), () =>
        this.open.change({ kind: 'keep-source', source }),
      );
    }
  }

  /** Makes what stood at a line the draft again; undo goes back. */
  returnTo({ point, time }: ShownEntry): void {
    if (!point) return;
    const { variants, states, working } = this.open.project();
    if (point.kind === 'variant') {
      if (!variants.some(({ id }) => id === point.id)) {
        this.messages.show(say('logbook.thisVariantWasRemoved'));
        return;
      }
      this.open.change({ kind: 'open-variant', id: point.id });
    } else {
      const kept = states.find(({ id }) => id === point.id);
      if (!kept) return;
      this.open.change({ kind: 'return-to', working: { ...working, ...kept.state } });
    }
    this.messages.show(say('logbook.theDraftIsAsAt', { time }), () => this.open.undo());
  }

  private askNote(note: LogNote): void {
    void import('./note-dialog.component').then(({ NoteDialogComponent }) =>
      this.dialogs
        .open<InstanceType<typeof NoteDialogComponent>, string, string>(NoteDialogComponent, {
          data: note.text,
          width: 480,
          first: 'textarea',
        })
        .afterClosed()
        .subscribe((text) => {
          if (text !== undefined) this.open.change({ kind: 'keep-note', note: { ...note, text } });
        }),
    );
  }

  private askSource(id: string, moment: string, source: SourceAnswer | undefined): void {
    void import('./source-dialog.component').then(({ SourceDialogComponent }) =>
      this.dialogs
        .open<InstanceType<typeof SourceDialogComponent>, SourceAnswer | undefined, SourceAnswer>(
          SourceDialogComponent,
          { ...(source && { data: source }), width: 520 },
        )
        .afterClosed()
        .subscribe((answer) => {
          if (answer) this.open.change({ kind: 'keep-source', source: { id, moment, ...answer } });
        }),
    );
  }

  /** Lines are called after what they tell of, with their kind before it. */
  private findNote(line: string): LogNote | undefined {
    return this.open.project().notes.find(({ id }) => line === `note ${id}`);
  }

  private findSource(line: string): PlainSource | undefined {
    return this.open.project().sources.find(({ id }) => line === `source ${id}`);
  }
}
