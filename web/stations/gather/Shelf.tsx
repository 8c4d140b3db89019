import { lazy, Suspense, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Plus } from 'lucide-react';
import { styled } from 'styled-components';
import type { shelfSearch } from '../../../core/gather/findOnShelf.ts';
import { binScale } from '../../../core/drawing/binScale.ts';
import { pictureSize } from '../../../core/drawing/material.ts';
import { asMeasured, FORMS, type Form } from '../../../core/materials/material.ts';
import { reservedStock } from '../../../core/needs/supply.ts';
import { words } from '../../data/api.ts';
import { useMaterials, usePlace } from '../../data/queries.ts';
import { useNeeds } from '../../design/onBench.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Heading, Notice, Quiet, Stack } from '../../parts/Panel.tsx';
import { amount, sizeWords } from './words.ts';
import type { Draft } from './draft.ts';
import { text } from './text.ts';

const ShelfTable = lazy(() => import('./ShelfTable.tsx'));
// What stands at the side is loaded when it is opened: the shelf itself needs none of it.
const LotList = lazy(async () => ({ default: (await import('./LotList.tsx')).LotList }));
const MaterialForm = lazy(async () => ({ default: (await import('./MaterialForm.tsx')).MaterialForm }));
const Welcome = lazy(async () => ({ default: (await import('./Welcome.tsx')).Welcome }));
const Packs = lazy(async () => ({ default: (await import('./Packs.tsx')).Packs }));

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 12px 16px;
  > header {
    grid-column: 1 / -1;
  }
  @media (min-width: 1101px) {
    height: 100%;
    grid-template-rows: auto minmax(0, 1fr);
    > .shelf,
    > aside {
      overflow: auto;
      scrollbar-width: thin;
    }
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Find = styled(TextField)`
  grid-template-columns: auto 230px;
  align-items: center;
  gap: 10px;
`;
const Bins = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(196px, 1fr));
  gap: 8px;
  li {
    display: grid;
  }
`;
const Plank = styled.h2`
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  font-size: 16px;
  margin: 2px 0 8px;
  padding-bottom: 5px;
  border-bottom: 5px solid #b0874f;
  border-image: linear-gradient(#b98f5c 60%, #8e6836 60%) 1;
  small {
    font: 400 13px/1.2 var(--body);
    color: var(--slate);
    letter-spacing: 0;
  }
`;
const Bin = styled.button<{ $on: boolean }>`
  display: grid;
  grid-template-columns: 56px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  width: 100%;
  text-align: left;
  cursor: pointer;
  min-height: 72px;
  padding: 7px 9px;
  background: ${(p) => (p.$on ? 'var(--fox-tint)' : 'var(--paper)')};
  border: 1px solid ${(p) => (p.$on ? 'var(--fox)' : 'var(--seam)')};
  border-radius: 10px;
  &:hover {
    border-color: var(--fox);
  }
  .pic {
    background: var(--linen);
    border-radius: 8px;
    display: grid;
    place-items: center;
    height: 56px;
    position: relative;
  }
  .pic i {
    position: absolute;
    right: 3px;
    bottom: 1px;
    font: 600 11px/1.2 var(--body);
    color: var(--slate);
  }
  b {
    font: 700 14.5px/1.15 var(--display);
    display: block;
  }
  .count {
    font: 700 14px/1.2 var(--display);
  }
  .none {
    color: var(--stop);
  }
  .free {
    display: inline-block;
    font: 600 12.5px/1.3 var(--body);
    color: var(--care);
  }
  small {
    color: var(--slate);
    font-size: 12.5px;
    display: block;
    line-height: 1.25;
  }
`;

/** On a narrow screen the form lies below the shelf: its heading comes right under the tape. */
function bringHeading(form: HTMLElement | null, tries = 40): void {
  if (!form || innerWidth > 900) return;
  const heading = form.querySelector<HTMLElement>('h2');
  if (!heading) {
    // The form is still on its way.
    if (tries > 0) setTimeout(() => bringHeading(form, tries - 1), 50);
    return;
  }
  heading.scrollIntoView?.({ block: 'start' });
  heading.tabIndex = -1;
  heading.focus({ preventScroll: true });
}

const TITLES: Record<Form, string> = {
  disc: text('capsLids'),
  piece: text('pieces'),
  container: text('containers'),
  sheet: text('panels'),
  tube: text('tubes'),
  cord: text('cordsLaces'),
  consumable: text('consumablesTapesBags'),
};
const ORDER: Form[] = ['disc', 'piece', 'container', 'sheet', 'tube', 'cord', 'consumable'];

/** What a photo told of a new kind, as it stands in the address. */
function seenIn(params: URLSearchParams): Partial<Draft> {
  const [long, short, kept] = ['long', 'short', 'kept'].map((k) => Number(params.get(k)));
  if (!long || !short) return {};
  const tenth = (v: number): number => Math.round(v * 10) / 10;
  return params.get('form') === 'disc'
    ? { form: 'disc', sizes: { diameter: tenth((long + short) / 2) }, kept: kept || 1 }
    : { form: 'piece', sizes: { length: tenth(long), width: tenth(short) }, kept: kept || 1 };
}

/** The shelf: what is kept, measured and counted. */
export function Component() {
  const { data: materials, error } = useMaterials();
  const { data: place } = usePlace();
  const [params, setParams] = useSearchParams();
  const [find, setFind] = useState('');
  const [side, setSide] = useState<'material' | 'lots' | 'packs'>('material');
  const view = params.get('view') === 'table' ? 'table' : 'picture';
  const needing = useNeeds();
  const spoken = useMemo(() => (needing ? reservedStock(needing) : null), [needing]);
  const wish = useDeferredValue(find);
  const measured = useMemo(() => materials?.map((m) => asMeasured(m)), [materials]);
  // The search is loaded with the first letter; until then there is nothing to search for.
  const [makeSearch, setMakeSearch] = useState<typeof shelfSearch | null>(null);
  const searching = wish.trim() !== '';
  useEffect(() => {
    if (searching && !makeSearch)
      void import('../../../core/gather/findOnShelf.ts').then((m) => setMakeSearch(() => m.shelfSearch));
  }, [searching, makeSearch]);
  const search = useMemo(
    () => (makeSearch && measured ? makeSearch(measured) : null),
    [makeSearch, measured],
  );
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!materials || !place) return <p role="status">{text('loadingShelf')}</p>;
  if (materials.length === 0 && params.get('material') === null)
    return (
      <Suspense fallback={<p role="status">{text('loading')}</p>}>
        <Welcome place={place} />
      </Suspense>
    );
  const openId = params.get('material');
  const open =
    openId === null || openId === 'new' ? null : (materials.find((m) => String(m.id) === openId) ?? null);
  const looked =
    searching && search ? search(wish, place.lengthUnit) : { understood: [], found: measured ?? [] };
  const shown = looked.found;
  const at = (part: Record<string, string>): Record<string, string> =>
    view === 'table' ? { view, ...part } : part;
  const choose = (id: number): void => {
    if (side === 'packs') setSide('material');
    setParams(at({ material: String(id) }), { replace: true });
    // On a narrow screen the form lies below the shelf.
    requestAnimationFrame(() => bringHeading(document.getElementById('material-form')));
  };
  const gone = materials.filter((m) => m.kept === 0).length;
  return (
    <Grid>
      <Heading
        over={
          gone > 0
            ? text('kindsUsedUp', { place: place.name, materials: materials.length, gone })
            : text('kinds2', { place: place.name, materials: materials.length })
        }
        title={text('whatOnShelf')}
      >
        <Find
          label={text('find')}
          value={find}
          onChange={setFind}
          type="search"
          placeholder={text('capsFitsThrough20')}
        />
        <Button
          plain
          onPress={() =>
            setParams(
              { ...(openId ? { material: openId } : {}), ...(view === 'table' ? {} : { view: 'table' }) },
              { replace: true },
            )
          }
        >
          {view === 'table' ? text('asPicture') : text('asTable')}
        </Button>
        <ButtonLink to="/gather/look-over">
          <Plus size={18} aria-hidden /> {text('addFind')}
        </ButtonLink>
      </Heading>
      <div className="shelf">
        <Stack $gap={16}>
          {materials.length === 0 && <Notice tone="care">{text('shelfEmptyAddFirst')}</Notice>}
          {looked.understood.length > 0 && (
            <Quiet role="status">
              {text('of2', {
                shown: shown.length,
                materials: materials.length,
                understood: looked.understood.join(', '),
              })}
            </Quiet>
          )}
          {materials.length > 0 && shown.length === 0 && <p>{text('nothingOnShelfTry', { find })}</p>}
          {view === 'table' && shown.length > 0 && (
            <Suspense fallback={<p role="status">{text('loadingTable')}</p>}>
              <ShelfTable
                materials={shown}
                spoken={spoken}
                unit={place.lengthUnit}
                open={open?.id ?? null}
                onOpen={choose}
              />
            </Suspense>
          )}
          {view === 'picture' &&
            ORDER.filter((f) => FORMS.includes(f)).map((form) => {
              const here = shown.filter((m) => m.form === form);
              if (here.length === 0) return null;
              const { span, ratios } = binScale(here.map((m) => Math.max(...pictureSize(m))));
              return (
                <section key={form} aria-label={TITLES[form]}>
                  <Plank>
                    {TITLES[form]}
                    <small>
                      {here.length === 1 ? text('n1Kind') : text('kindsDrawnScale', { here: here.length })}
                      {ratios.some((r) => r > 1) && text('longSSmaller')}
                    </small>
                  </Plank>
                  <Bins>
                    {here.map((m, i) => (
                      <li key={m.id}>
                        <Bin
                          type="button"
                          $on={open?.id === m.id}
                          aria-pressed={open?.id === m.id}
                          onClick={() => choose(m.id)}
                        >
                          <span className="pic">
                            <Picture material={m} size={52} span={span * ratios[i]!} />
                            {ratios[i]! > 1 && <i>1 : {ratios[i]}</i>}
                          </span>
                          <span>
                            <b>{m.name}</b>
                            <span className={m.kept === 0 ? 'count none' : 'count'}>
                              {m.kept === 0 ? text('nLeft') : text('kept3', { m: amount(m, m.kept) })}
                            </span>{' '}
                            {m.waiting > 0 && (
                              <span className="free">{text('waiting', { m: amount(m, m.waiting) })}</span>
                            )}
                            {spoken && (spoken.get(m.id) ?? 0) > 0 && (
                              <span className="free">
                                {m.kept >= spoken.get(m.id)!
                                  ? text('reservedFree', {
                                      m: amount(m, spoken.get(m.id)!),
                                      m2: amount(m, m.kept - spoken.get(m.id)!),
                                    })
                                  : text('reservedShort', {
                                      m: amount(m, spoken.get(m.id)!),
                                      m2: amount(m, spoken.get(m.id)! - m.kept),
                                    })}
                              </span>
                            )}
                            <small>{sizeWords(m, place.lengthUnit)}</small>
                          </span>
                        </Bin>
                      </li>
                    ))}
                  </Bins>
                </section>
              );
            })}
        </Stack>
      </div>
      <aside id="material-form">
        <Stack>
          <Choice
            label={text('side')}
            value={side}
            onChange={(v) => setSide(v as 'material' | 'lots' | 'packs')}
            options={[
              { value: 'material', label: text('measureCount') },
              { value: 'lots', label: text('lots3') },
              { value: 'packs', label: text('packsBuy') },
            ]}
          />
          <Suspense fallback={<p role="status">{text('loading')}</p>}>
            {side === 'packs' ? (
              <Packs materials={materials} />
            ) : side === 'lots' && open ? (
              <LotList key={open.id} material={open} unit={place.lengthUnit} today={place.today} />
            ) : open || openId === 'new' ? (
              <MaterialForm
                key={openId}
                material={open}
                called={params.get('name') ?? ''}
                seen={seenIn(params)}
                unit={place.lengthUnit}
                onDone={(id) => setParams(at(id === null ? {} : { material: String(id) }), { replace: true })}
              />
            ) : (
              <Quiet>{text('chooseMaterialCountMeasure')}</Quiet>
            )}
          </Suspense>
        </Stack>
      </aside>
    </Grid>
  );
}
