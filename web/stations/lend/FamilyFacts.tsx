import { useState } from 'react';
import type { Borrower, BorrowerInput } from '../../../contract/lending.ts';
import { SKILLS, type Skill } from '../../../core/patterns/kernel.ts';
import { skillPlain, skillWords } from '../../../core/patterns/skillWords.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlace } from '../../data/queries.ts';
import { languageName } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { bornOf, WhoFields, type Who } from '../../parts/WhoFields.tsx';
import { text } from './text.ts';

const NO_AIM = 'none';
const NO_LANGUAGE = 'none';

/** Codes as they are typed: parted by commas or blanks. */
const codesIn = (text: string): string[] => [...new Set(text.split(/[\s,;]+/).filter(Boolean))];

/** What is known of a family in one line: told before it is lent anything. */
export const factWords = (family: Borrower): string =>
  [
    family.allergies.length > 0
      ? text('allergic', { allergies: family.allergies.join(', ') })
      : text('noAllergiesKnown'),
    family.youngest === null
      ? text('youngestHomeWasNot')
      : text('youngestHomeMonths', { youngest: family.youngest }),
    family.mouths ? text('somebodyStillPutsThings') : null,
    family.aim === null ? null : text('aim', { aim: skillPlain(family.aim).toLowerCase() }),
  ]
    .filter(Boolean)
    .join('; ');

/** A family that is not known yet, under the name that somebody looked for. */
export const newFamily = (name: string): Omit<Borrower, 'id' | 'version'> => ({
  name,
  group: '',
  allergies: [],
  mail: null,
  youngest: null,
  born: null,
  mouths: false,
  language: null,
  aim: null,
  children: [],
});

/** What is known of a family: what it is allergic to, its youngest, what is worked on, and which children notes mean. */
export function FamilyFacts({
  family,
  onDone,
}: {
  /** One without a number is made. */
  family: Borrower | Omit<Borrower, 'id' | 'version'>;
  /** Told which it is now; null where nothing was saved. */
  onDone(saved: Borrower | null): void;
}) {
  const old = 'id' in family ? family : null;
  const [name, setName] = useState(family.name);
  const [group, setGroup] = useState(family.group);
  const [who, setWho] = useState<Who>({
    age: family.youngest,
    born: family.born ?? '',
    mouths: family.mouths,
    allergies: family.allergies,
  });
  const [aim, setAim] = useState<string>(family.aim ?? NO_AIM);
  const [language, setLanguage] = useState<string>(family.language ?? NO_LANGUAGE);
  const { data: place } = usePlace();
  const [mail, setMail] = useState(family.mail ?? '');
  const [children, setChildren] = useState(family.children.join(', '));
  const save = useChange(
    () => {
      const input = {
        name,
        group,
        allergies: [...who.allergies],
        mail: mail.trim() || null,
        youngest: who.age,
        born: bornOf(who),
        mouths: who.mouths,
        language: language === NO_LANGUAGE ? null : (language as Borrower['language']),
        aim: aim === NO_AIM ? null : (aim as Skill),
        children: codesIn(children),
      } satisfies BorrowerInput;
      return old
        ? api<Borrower>('PUT', `/borrowers/${old.id}`, { ...input, version: old.version })
        : api<Borrower>('POST', '/borrowers', input);
    },
    (b) => text('familySaved', { family: b.name }),
  );
  return (
    <Dialog title={old?.name ?? text('addFamily')} isOpen onClose={() => onDone(null)}>
      <Form onSubmit={() => save.mutate(undefined, { onSuccess: onDone })}>
        <Stack $gap={10}>
          <TextField
            label={text('codeName')}
            value={name}
            onChange={setName}
            hint={text('madeUpNeverReal')}
          />
          <TextField label={text('group')} value={group} onChange={setGroup} />
          <WhoFields
            value={who}
            onChange={setWho}
            ageLabel={text('youngestHomeMonths2')}
            bornLabel={text('orMonthBirth')}
            mouthsLabel={text('somebodyHomeStillPuts')}
          />
          {place && place.languages.length > 1 && (
            <Select
              label={text('written')}
              value={language}
              onChange={setLanguage}
              options={[
                {
                  value: NO_LANGUAGE,
                  label: text('placesFirst', { what: languageName(place.languages[0]!) }),
                },
                ...place.languages.map((l) => ({ value: l, label: languageName(l) })),
              ]}
            />
          )}
          <Select
            label={text('skillWorkedOn')}
            value={aim}
            onChange={setAim}
            options={[
              { value: NO_AIM, label: text('nParticular') },
              ...SKILLS.map((s) => ({ value: s, label: skillWords(s) })),
            ]}
          />
          <TextField
            label={text('childrenAsNotesCall')}
            value={children}
            onChange={setChildren}
            hint={text('codeNamesLikeG')}
          />
          <TextField
            label={text('mailAddress')}
            value={mail}
            onChange={setMail}
            hint={text('onlyWhereMessagesMailed')}
          />
          {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
          <Row>
            <Button type="submit" small isDisabled={save.isPending}>
              {text('saveWhatKnown')}
            </Button>
            <Button small plain onPress={() => onDone(null)}>
              {text('leave')}
            </Button>
          </Row>
          <Quiet>{text('ageGrowsFromDay')}</Quiet>
        </Stack>
      </Form>
    </Dialog>
  );
}
