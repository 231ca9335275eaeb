import { shelfItem, tenthGramScale } from '../testing/plans.ts';
import { scrubMeasures } from './scrub.ts';

describe('scrubs as they are judged', () => {
  it('in cups of the maker and spoonfuls in a bar', () => {
    // 0.6 g/ml: 142 g are 236.7 ml, a US cup; 1.5 g are 2.5 ml, half a teaspoon.
    expect(scrubMeasures(shelfItem('poppy-seed'), 142, 1.5, tenthGramScale)).toEqual([
      'about 1 cup',
      '½ tsp in a bar',
    ]);
    expect(scrubMeasures(shelfItem('poppy-seed'), 250, null, { spoons: 'metric' })).toEqual([
      'about 1¾ cups',
    ]);
    // Less than an eighth of a cup is none.
    expect(scrubMeasures(shelfItem('poppy-seed'), 10, null, tenthGramScale)).toEqual([]);
    expect(scrubMeasures(shelfItem('kaolin'), 142, 1.5, tenthGramScale)).toEqual([]);
  });
});
