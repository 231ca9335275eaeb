import { CloseOutlined, DownloadOutlined, PlusOutlined, SaveOutlined } from '../../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { labD65FromHex, screenColourFromLabD65 } from '@kleur/core/colour';
import { type PaletteFile } from '@kleur/core/formats';
import { isBaseTold, PLAN_LIMITS } from '@kleur/core/plan';
import { failureOf } from '../../../data/api.ts';
import { useCreatePaletteMutation } from '../../../data/palettes.ts';
import { useAppDispatch } from '../../../data/store.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { edits } from '../state/edits.ts';
import { ColourPicker } from '../../../shared/ui/ColourPicker.tsx';
import { doubtText } from '../../../shared/doubtText.ts';
import { teeth } from '../../../shared/ui/Teeth.tsx';
import { NameField } from '../../../shared/ui/NameField.tsx';
import { newId } from '../../../data/newId.ts';
import { useDocument } from '../state/useDerived.ts';
import { named, useShelf } from '../useMatching.ts';
import { formulaOf } from '../state/matching.ts';
import { type MatchedColour } from './usePaletteMatches.ts';
import { useNotices } from '../../../shared/hooks/useNotices.ts';

// Menus are a large part of the controls: they come when one is asked for.
const ExportMenu = lazy(() => import('./ExportMenu.tsx'));

/** The palette: each wanted colour over what the shelf can make of it, and how far that moved. */
export function PaletteRow({
  colours,
  busy,
}: {
  readonly colours: readonly MatchedColour[];
  readonly busy: boolean;
}) {
  const { name, plan } = useDocument();
  const dispatch = useAppDispatch();
  const shelf = useShelf();
  const print = usePrinter();
  const [savePalette] = useCreatePaletteMutation();
  const { message } = useNotices();
  const [exporting, setExporting] = useState(false);
  const full = colours.length >= PLAN_LIMITS.palette;
  const ready = colours.length > 0 && colours.every((c) => c.match !== null);

  const add = (hex: string): void => {
    const colour = { id: newId(), name: `Colour ${colours.length + 1}`, lab: labD65FromHex(hex) };
    dispatch(edits.paletteSet([...plan.idea.colours, colour]));
  };
  const makePots = (): void => {
    dispatch(
      edits.potsMade(
        colours.map(({ colour, match }) => ({
          colourId: colour.id,
          potId: newId(),
          parts: formulaOf(match?.recipes[0]?.parts ?? [], shelf),
        })),
      ),
    );
    const bare = colours.filter((c) => !c.match?.recipes[0]?.parts.length).map((c) => c.colour.name);
    if (bare.length > 0)
      message.warning(`The shelf has nothing for ${bare.join(', ')}: made without colour.`, 10);
    else message.success('The pots follow the palette until you edit their formulas.');
  };
  const save = async (): Promise<void> => {
    try {
      const palette = plan.idea.colours.map((c) => ({ name: c.name, lab: c.lab }));
      await savePalette({ name, favourite: false, colours: palette }).unwrap();
      message.success(`The palette “${name}” is saved.`);
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  const file: PaletteFile = { name, colours: plan.idea.colours.map((c) => ({ name: c.name, lab: c.lab })) };
  const exportButton = (
    <Button
      icon={<DownloadOutlined />}
      disabled={colours.length === 0}
      onClick={() => {
        setExporting(true);
      }}
    >
      Export
    </Button>
  );

  return (
    <section aria-label="Palette" aria-busy={busy}>
      <div className="section-head">
        <h2>Palette</h2>
        <span className="spring" />
        <Button icon={<SaveOutlined />} disabled={colours.length === 0} onClick={() => void save()}>
          Save
        </Button>
        {exporting ? (
          <Suspense fallback={exportButton}>
            <ExportMenu file={file} disabled={colours.length === 0} />
          </Suspense>
        ) : (
          exportButton
        )}
        <Button type="primary" disabled={!ready} onClick={makePots}>
          Make pots
        </Button>
      </div>
      <ul className="palette">
        {colours.map(({ colour, match }) => {
          const wanted = screenColourFromLabD65(colour.lab);
          const best = match?.recipes[0];
          const reach = best && screenColourFromLabD65(best.lab);
          return (
            <li key={colour.id} className="wanted" aria-label={colour.name}>
              <ColourPicker
                value={wanted.hex}
                label={`Wanted ${wanted.hex}: change it`}
                className="wanted-top"
                style={{ background: wanted.hex }}
                onPick={(hex) => {
                  dispatch(edits.paletteColourSet({ id: colour.id, change: { lab: labD65FromHex(hex) } }));
                }}
              />
              <div
                className="wanted-reach toothed"
                style={{ background: reach?.hex }}
                role="img"
                aria-label={reach ? `Within reach: ${reach.hex}` : 'Working out the colour…'}
                data-hex={reach?.hex}
                title={best && doubtText(best.evidence, best.doubt, isBaseTold(plan.base.learnt), print)}
              >
                {best && teeth({ deltaE: best.doubt, range: best.range })}
              </div>
              <NameField
                label={`Name of ${colour.name}`}
                hideLabel
                bare
                size="small"
                value={colour.name}
                onCommit={(v) => {
                  dispatch(edits.paletteColourSet({ id: colour.id, change: { name: v } }));
                }}
              />
              <p className="figure small">
                {best ? (
                  <>
                    <b>ΔE {print.fixed(best.deltaE, 1)}</b>{' '}
                    <span className="soft" title={match.reasons.map((r) => named(r, shelf)).join(' ')}>
                      {match.reasons.length > 0 ? 'out of reach' : 'moved'}
                    </span>
                  </>
                ) : (
                  <span className="soft">{match ? 'nothing allowed' : '…'}</span>
                )}
              </p>
              <button
                type="button"
                className="wanted-remove"
                aria-label={`Remove ${colour.name}`}
                title="Remove"
                onClick={() => {
                  dispatch(edits.paletteSet(plan.idea.colours.filter((c) => c.id !== colour.id)));
                }}
              >
                <CloseOutlined />
              </button>
            </li>
          );
        })}
        {!full && (
          <li className="wanted-add">
            <ColourPicker
              value={null}
              label="Add a colour"
              className="wanted-add-button"
              settled
              onPick={add}
            >
              <PlusOutlined /> Colour
            </ColourPicker>
          </li>
        )}
      </ul>
      {colours.length > 0 && (
        <p className="soft small">Above what is wanted, below what this shelf reaches on this base, cured.</p>
      )}
      {colours.some((c) => (c.match?.reasons.length ?? 0) > 0) && (
        <ul className="reasons">
          {colours.flatMap(({ colour, match }) =>
            match?.reasons.length
              ? [
                  <li key={colour.id}>
                    <b>{colour.name}:</b> {match.reasons.map((r) => named(r, shelf)).join(' ')}
                  </li>,
                ]
              : [],
          )}
        </ul>
      )}
    </section>
  );
}
