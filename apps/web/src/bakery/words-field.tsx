import { t } from '@lingui/core/macro';
import { toast } from 'sonner';
import { setWords, wordsHere, type Words } from '../words/language';
import { SelectField } from '../ui/field';

/** Whose words this device uses. A page says all of itself in one way, so it is loaded anew; nothing is lost by that. */
export const WordsField = ({ reload = () => window.location.reload() }: { readonly reload?: () => void }) => (
  <SelectField
    label={t`Words`}
    value={wordsHere()}
    onChange={(event) => {
      if (setWords(event.target.value as Words)) reload();
      else toast.error(t`This browser keeps nothing, so the words cannot be changed here.`);
    }}
  >
    {/* Each choice in its own words, whatever those of the page are. */}
    <option value="british">tray, colour</option>
    <option value="american">sheet pan, color</option>
  </SelectField>
);
