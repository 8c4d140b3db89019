import { useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Place } from '../../../contract/place.ts';
import type { StarterDone, StarterInput } from '../../../contract/starter.ts';
import { guessPlace } from '../../../core/measure/placeGuess.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { Heading, Notice, Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { LOCALES, PlaceBasics, type Basics } from '../../parts/PlaceBasics.tsx';
import { StarterShelf } from './StarterShelf.tsx';
import { text } from './text.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 400px) minmax(0, 1fr);
  gap: 14px;
  align-items: start;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Ways = styled.ol`
  display: grid;
  gap: 10px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4px 14px;
    align-items: center;
    background: var(--paper);
    border: 1px solid var(--seam);
    border-radius: 10px;
    padding: 14px;
  }
  h3 {
    font-size: 17px;
  }
  p {
    font-size: 14px;
    line-height: 1.35;
  }
  @media (max-width: 560px) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
`;

/** What a place is called before anybody named it. */
const isNew = (place: Place): boolean => place.version === 1;

/** Whether the card says something else than the place does. */
const differs = (draft: Basics, place: Place): boolean =>
  (Object.keys(draft) as (keyof Basics)[]).some(
    (f) =>
      JSON.stringify(draft[f]) !== JSON.stringify(place[f]) && !(f === 'name' && draft.name.trim() === ''),
  );

/** An empty place: how it writes, and three ways to its first shelf. */
export function Welcome({ place }: { place: Place }) {
  const [draft, setDraft] = useState<Basics>(() => {
    const { name, languages, lengthUnit, paper, currency, locale } = place;
    return isNew(place)
      ? {
          name: '',
          languages,
          ...guessPlace(
            navigator.language,
            LOCALES.map((l) => l.value),
          ),
        }
      : { name, languages, lengthUnit, paper, currency, locale };
  });
  const [isTicking, setTicking] = useState(false);
  const navigate = useNavigate();
  const save = useChange(({ name, ...now }: Basics) => {
    const { today: _, ...body } = place;
    return api<Place>('PUT', '/place', { ...body, ...now, name: name.trim() || place.name });
  });
  const start = useChange((input: StarterInput) => api<StarterDone>('POST', '/materials/starter', input));
  const demo = useChange(() => api<StarterDone>('POST', '/materials/demo', {}));
  const done = ({ added }: StarterDone): void => say(text('kindsOnShelf', { added }));
  /** What stands in the card counts from here on, saved by its button or not. */
  const begin = async (way: () => unknown): Promise<void> => {
    demo.reset();
    start.reset();
    try {
      if (isNew(place) || differs(draft, place)) await save.mutateAsync(draft);
      // Not as a callback of the change: this screen is gone once something is on the shelf.
      await way();
    } catch {
      // Why stands in the card, or above the ways.
    }
  };
  return (
    <Stack>
      <Heading over={text('nothingHereYet')} title={text('welcome')} />
      <Grid>
        <Panel>
          <Form onSubmit={() => save.mutate(draft, { onSuccess: () => say(text('placeSaved')) })}>
            <Stack $gap={10}>
              <h2>{text('firstThisPlace')}</h2>
              <PlaceBasics
                value={draft}
                onChange={(part) => {
                  save.reset();
                  setDraft((d) => ({ ...d, ...part }));
                }}
              />
              {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
              <Spread>
                <Quiet>{text('changeAnyTime')}</Quiet>
                <Button type="submit" plain={!isNew(place)} isDisabled={save.isPending}>
                  {text('save')}
                </Button>
              </Spread>
            </Stack>
          </Form>
        </Panel>
        <Stack>
          <h2>{isTicking ? text('tickWhatThere') : text('thenTheShelf')}</h2>
          {(start.error ?? demo.error) && <Notice tone="stop">{words(start.error ?? demo.error)}</Notice>}
          {isTicking ? (
            <StarterShelf
              unit={draft.lengthUnit}
              isBusy={start.isPending || save.isPending}
              onCancel={() => setTicking(false)}
              onTake={(kinds) => {
                void begin(async () => done(await start.mutateAsync({ kinds })));
              }}
            />
          ) : (
            <Ways>
              <li>
                <h3>{text('tickStarter')}</h3>
                <Button onPress={() => setTicking(true)}>{text('chooseFromList')}</Button>
                <p>{text('tickStarterSays')}</p>
              </li>
              <li>
                <h3>{text('bringSpreadsheet')}</h3>
                <Button plain onPress={() => void begin(() => void navigate('/gather/files'))}>
                  {text('chooseFile')}
                </Button>
                <p>{text('bringSpreadsheetSays')}</p>
              </li>
              <li>
                <h3>{text('tryDemo')}</h3>
                <Button
                  plain
                  isDisabled={demo.isPending}
                  onPress={() => void begin(async () => done(await demo.mutateAsync(undefined)))}
                >
                  {text('fillShelf')}
                </Button>
                <p>{text('tryDemoSays')}</p>
              </li>
            </Ways>
          )}
          {!isTicking && (
            <Quiet>
              {text('orOneByOne')}{' '}
              <Button small plain onPress={() => void begin(() => void navigate('/gather/look-over'))}>
                {text('addFind')}
              </Button>
            </Quiet>
          )}
        </Stack>
      </Grid>
    </Stack>
  );
}
