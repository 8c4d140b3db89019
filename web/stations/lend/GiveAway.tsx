import { useState } from 'react';
import type { Given, Bundle, BundleInput } from '../../../contract/bundles.ts';
import { speaks } from '../../../core/lend/sheetWords.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { languageName, amountOfIt } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { givenReason, NO_REASON, Reasoned, type Reason } from './Asked.tsx';
import { BundleChecked, useBundleCheck } from './BundleChecked.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Stepper, TextArea } from '../../parts/Field.tsx';
import { Notice, Quiet, Row, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const MOST_FAMILIES = 200;

/** A kit's papers for families, and its parts handed over for good to be made at home. */
export function GiveAway({
  bundle: bundle,
  languages,
  onClose,
}: {
  bundle: Bundle;
  languages: readonly string[];
  onClose(): void;
}) {
  const [language, setLanguage] = useState(languages[0] ?? 'en');
  const [said, setSaid] = useState<Readonly<Record<string, string>>>(bundle.words);
  const [prepared, setPrepared] = useState(true);
  const [families, setFamilies] = useState(1);
  const save = useChange(() => {
    const input: BundleInput = {
      name: bundle.name,
      designs: bundle.designs.map((d) => d.id),
      container: bundle.container?.id ?? null,
      words: said,
    };
    return api<Bundle>('PUT', `/bundles/${bundle.id}`, { ...input, version: bundle.version });
  });
  const [reason, setReason] = useState<Reason>(NO_REASON);
  const { data: report } = useBundleCheck(bundle);
  const isStop = report?.findings.some((f) => f.verdict === 'stop') ?? false;
  const give = useChange(() =>
    api<Given>('POST', `/bundles/${bundle.id}/give`, {
      version: bundle.version,
      families,
      prepared,
      ...(isStop ? givenReason(reason) : {}),
    }),
  );
  const unsaved = JSON.stringify(said) !== JSON.stringify(bundle.words);
  const own = (said[language] ?? '').trim() !== '';
  return (
    <Dialog title={text('families', { kit: bundle.name })} isOpen onClose={onClose} wide>
      <Stack $gap={12}>
        {languages.length > 1 && (
          <Choice
            label={text('languagePapers')}
            value={language}
            onChange={setLanguage}
            options={languages.map((l) => ({ value: l, label: languageName(l) }))}
          />
        )}
        <TextArea
          label={text('yourOwnWordsFamilies', { language: languageName(language) })}
          value={said[language] ?? ''}
          most={3000}
          onChange={(text) => setSaid({ ...said, [language]: text })}
        />
        <Quiet>
          {speaks(language)
            ? text('theyStandFirstOn')
            : own
              ? text('theyStandPlaceEnglish')
              : text('withoutThemPictureSheet')}
        </Quiet>
        {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
        {unsaved && (
          <Row>
            <Button
              small
              isDisabled={save.isPending}
              onPress={() => save.mutate(undefined, { onSuccess: (k) => setSaid(k.words) })}
            >
              {text('saveYourWords')}
            </Button>
          </Row>
        )}
        <Choice
          label={text('knifeHeatMachines')}
          value={prepared ? 'yes' : 'no'}
          onChange={(v) => setPrepared(v === 'yes')}
          options={[
            { value: 'yes', label: text('weDoBeforehand') },
            { value: 'no', label: text('adultHomeDoes') },
          ]}
        />
        <Row>
          <FileLink
            small
            href={`/api/bundles/${bundle.id}/picture-sheet.pdf?language=${language}&prepared=${prepared ? 'yes' : 'no'}`}
          >
            {text('pictureSheet')}
          </FileLink>
          <FileLink small href={`/api/bundles/${bundle.id}/count-card.pdf?language=${language}`}>
            {text('countCard', { language: languageName(language) })}
          </FileLink>
        </Row>
        <Seam />
        <BundleChecked bundle={bundle} />
        {isStop && <Reasoned value={reason} onChange={setReason} what={text('whyMayGivenAll')} />}
        <Spread>
          <span>
            <b>{text('giveAwayMadeHome')}</b>
            <br />
            <Quiet>{text('partsLeaveShelfGood')}</Quiet>
          </span>
          <Row>
            <Stepper
              label={text('families2')}
              value={families}
              min={1}
              max={Math.max(1, Math.min(MOST_FAMILIES, bundle.kitsNow))}
              onChange={setFamilies}
            />
            <Button
              small
              isDisabled={
                give.isPending ||
                unsaved ||
                bundle.kitsNow < families ||
                (isStop && givenReason(reason).override === undefined)
              }
              onPress={() => give.mutate(undefined)}
            >
              {text('giveAway')}
            </Button>
          </Row>
        </Spread>
        {bundle.kitsNow === 0 && (
          <Notice tone="care">
            {bundle.first
              ? text('nCanGivenNow', { first: bundle.first.toLowerCase() })
              : text('nCanGivenNow2')}
          </Notice>
        )}
        {give.error && <Notice tone="stop">{words(give.error)}</Notice>}
        {give.data && (
          <Notice tone="clear">
            {text('partsOffShelf', {
              families: give.data.families,
              used: give.data.used.map((u) => `${amountOfIt(u.quantity, u.unit)} ${u.name}`).join(', '),
            })}
          </Notice>
        )}
      </Stack>
    </Dialog>
  );
}
