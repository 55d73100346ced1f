import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { FileButton } from '@/parts/ui/FileButton';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { openTable } from '@/store/tables/tableIn';

const ACCEPT =
  '.csv,.tsv,.txt,.xlsx,.jsonl,text/*,application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
/** The longest text pasted, UTF-16 code units; longer ones come as files. */
const LONGEST = 2_000_000;

/** A file, or what was copied from a spreadsheet or scanned into a list. */
export function ChooseTable() {
  const haul = useAttic((s) => (s.settings.haulId ? s.hauls[s.settings.haulId] : undefined));
  // It stays until it was taken: a reload loses nothing.
  const [text, setText] = useTextDraft('table');
  const read = () => void openTable(new Blob([text]), 'what was pasted');
  return (
    <Card label="The table">
      <Text tone="soft">
        {'Any table with a line an item: CSV, a spreadsheet, a list of barcodes, a purchase list. You see ' +
          'what it would do line by line before anything is changed. ' +
          `New items go ${haul ? `into the haul ${haul.name}` : 'into no haul'} where the table names none.`}
      </Text>
      <FileButton
        accept={ACCEPT}
        variant="main"
        icon="up"
        onFiles={([file]) => {
          if (file) void openTable(file, file.name);
        }}
      >
        Choose a file
      </FileButton>
      <Field
        label="Or paste it here"
        value={text}
        multiline
        maxLength={LONGEST}
        pause={0}
        onChange={setText}
      />
      <View style={{ alignItems: 'flex-start' }}>
        <Button icon="search" disabled={text.trim() === ''} onPress={read}>
          Read what was pasted
        </Button>
      </View>
    </Card>
  );
}
