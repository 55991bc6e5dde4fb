import type { Wording } from './wording';

/** Why an outline is not changed as asked. */
export const OUTLINE_WORDINGS = {
  'outline-gone': {
    says: 'This row is not there any more.',
    remedy: 'Look at the outline as it stands now.',
  },
  'outline-into-itself': {
    says: 'A group cannot be moved into itself.',
    remedy: 'Choose a place outside it.',
  },
  'outline-nowhere': {
    says: 'There is nowhere to move this row in that direction.',
    remedy: 'Make a group first, or move another row.',
  },
  'outline-not-siblings': {
    says: 'These rows do not stand in one group.',
    remedy: 'Choose rows that stand beside each other.',
  },
  'outline-needs-two': {
    says: 'A group needs two rows at least.',
    remedy: 'Choose another row, too, or add one.',
  },
  'outline-not-in-all': {
    says: 'NOT works only inside a group joined by AND.',
    remedy: 'Make a group of all round it first.',
  },
  'outline-not-alone': {
    says: 'Keep at least one row that finds records; NOT alone finds none.',
    remedy: 'Add what is searched first.',
  },
  'outline-not-near': {
    says: 'This row is not a proximity search.',
    remedy: 'Choose a row that says within how many words its sides stand.',
  },
  'outline-nothing-around': {
    says: 'There is no group to dissolve here.',
    remedy: 'Choose a group that stands in another one.',
  },
  'outline-term': {
    says: 'This row is a term of the concept {concept}: that is changed in the Topic view.',
    remedy: 'Edit, switch, move or remove it here; everything else in the Topic view.',
  },
  'outline-other-text': {
    says: 'Rows cannot be dragged from one block into another.',
    remedy: 'Cut them and paste them there.',
  },
  'outline-older': {
    says: 'The text has a mistake, so the rows show the last version that could be read.',
    remedy: 'Mend the text, or go back to what the outline shows.',
  },
} satisfies Record<string, Wording>;
