import { deltaE00 } from '../colour/deltaE00.ts';
import { chromaOf, type LabD65 } from '../colour/lab.ts';

/** Below this ΔE00 nobody tells two bars apart. */
export const AS_MEANT = 2;
/** Up to these a difference is a little one, or a plain one; beyond it is a great one. */
const LITTLE = 4;
const PLAIN = 9;

/** Parts of a difference below this are not worth a word beside the larger ones. */
const WORTH = 1.5;
const MINOR = 0.45;
/** Below this chroma a colour has no hue to turn. */
const NEUTRAL = 6;
/** Between these hues, degrees, what is darker and stronger is browner. */
const BROWN = [35, 95] as const;

const hueOf = ([, a, b]: LabD65): number => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;

/** The direction in which a colour moved in a* and b*, as people call it. */
function towards(da: number, db: number): string {
  const names = ['redder', 'more orange', 'yellower', 'greener', 'greener', 'bluer', 'bluer', 'more violet'];
  const angle = ((Math.atan2(db, da) * 180) / Math.PI + 360 + 22.5) % 360;
  return names[Math.floor(angle / 45)]!;
}

/** A turn of the hue by less than this, degrees, is called after the neighbour on that side, a larger one after its end. */
const NEIGHBOUR = 35;

/** Where a hue turned to. */
function turned(from: LabD65, to: LabD65): string {
  const by = ((hueOf(to) - hueOf(from) + 540) % 360) - 180;
  const angle = ((hueOf(from) + Math.sign(by) * Math.max(NEIGHBOUR, Math.abs(by))) * Math.PI) / 180;
  return towards(Math.cos(angle), Math.sin(angle));
}

/** Below this chroma what has lost colour is called greyer. */
const GREYISH = 20;

/**
 * What a seen colour is beside the one that was planned, in words, the largest difference first: “a little lighter and
 * less vivid”, “browner”.
 * @param from the planned colour
 * @param to the seen one
 * @returns “the same” where nobody sees a difference
 */
export function differenceWords(from: LabD65, to: LabD65): string {
  const far = deltaE00(from, to);
  if (far < AS_MEANT) return 'the same';
  const dL = to[0] - from[0];
  const dC = chromaOf(to) - chromaOf(from);
  const da = to[1] - from[1];
  const db = to[2] - from[2];
  // What is left of the way in a*, b* when the change of chroma along the old hue is taken out.
  const dH = Math.sqrt(Math.max(0, da * da + db * db - dC * dC));
  const moved = Math.hypot(da, db);
  const neutral = chromaOf(from) < NEUTRAL || chromaOf(to) < NEUTRAL;
  const hue = hueOf(to);
  const browner = dL < -WORTH && db > WORTH * 0.5 && hue >= BROWN[0] && hue <= BROWN[1];
  const parts: { readonly word: string; readonly size: number }[] = browner
    ? [{ word: 'browner', size: Math.hypot(dL, moved) }]
    : [
        { word: dL > 0 ? 'lighter' : 'darker', size: Math.abs(dL) },
        ...(neutral
          ? [{ word: chromaOf(to) < NEUTRAL && dC < 0 ? 'greyer' : towards(da, db), size: moved }]
          : [
              {
                word: dC > 0 ? 'more vivid' : chromaOf(to) < GREYISH ? 'greyer' : 'less vivid',
                size: Math.abs(dC),
              },
              { word: turned(from, to), size: dH },
            ]),
      ];
  const most = Math.max(...parts.map((p) => p.size));
  const said = parts
    .filter((p) => p.size >= WORTH && p.size >= most * MINOR)
    .sort((x, y) => y.size - x.size)
    .slice(0, 2)
    .map((p) => p.word);
  const words = said.length > 0 ? said : [parts.toSorted((x, y) => y.size - x.size)[0]!.word];
  const much = far < LITTLE ? 'a little ' : far < PLAIN ? '' : 'much ';
  return `${much}${words.join(' and ')}`;
}
