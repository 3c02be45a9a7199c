import { t } from '@lingui/core/macro';
import { Button } from '../ui/button';

const example = `2 2/3 cups all-purpose flour\n1 1/4 tsp baking powder\n¾ teaspoon salt\n14 tablespoons (1 3/4 sticks) salted butter, soft\n2/3 cup packed dark brown sugar\n1/2 cup plus 1 tablespoon granulated sugar\n1 large egg plus 1 yolk\n2 tsp grated orange zest\na heaping tablespoon of natural cocoa powder\n1 1/3 cups dried cherries\npearl sugar, to finish\nBake at 350 °F for 11 to 13 minutes`;

/** Before a recipe is there: where it can come from, and an example to try. */
export const NothingPasted = ({ onText }: { readonly onText: (text: string, title: string) => void }) => (
  <div className="rounded-lg border border-dashed border-line-strong p-8 text-center text-ink-soft">
    <p className="text-lg text-ink">{t`Paste a recipe on the left, or open a file.`}</p>
    <p className="mt-1">{t`Plain text, CSV, a schema.org Recipe (JSON-LD, also inside a saved page), Jokul JSON.`}</p>
    <p className="mt-4">
      <Button
        size="small"
        onClick={() => onText(example, t`Cherry and Orange Drop`)}
      >{t`Try it with an example`}</Button>
    </p>
  </div>
);
