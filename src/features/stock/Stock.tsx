import { useState } from 'react';

import { LongList } from '@/parts/ui/LongList';
import { useWide } from '@/theme/theme';

import { FolderRow } from './FolderRow';
import { Narrowing } from './Narrowing';
import { StockDesk } from './StockDesk';
import { StockHead } from './StockHead';
import { ROW_HEIGHT, StockRow } from './StockRow';
import { useStock } from './useStock';
import { DeedBar } from '../deeds/DeedBar';

/** Everything owned; search as you type, choose many and change them at once. */
export function Stock() {
  const wide = useWide();
  const stock = useStock();
  const { shown, chosen, choose, all, none } = stock;
  return (
    <>
      {wide ? <StockDesk stock={stock} /> : <StockList stock={stock} />}
      {chosen ? (
        <DeedBar chosen={chosen} of={shown.length} onAll={all} onNone={none} onDone={() => choose(false)} />
      ) : null}
    </>
  );
}

/** On a narrow screen. */
function StockList({ stock }: { stock: ReturnType<typeof useStock> }) {
  const { filter, setFilter, inGroup, shown, chosen, press, hold } = stock;
  const [narrowing, setNarrowing] = useState(false);
  return (
    <LongList
      label="Stock"
      items={shown}
      keyOf={(t) => t.id}
      height={ROW_HEIGHT}
      row={(item) => (
        <StockRow item={item} chosen={chosen ? chosen.has(item.id) : null} onPress={press} onHold={hold} />
      )}
    >
      <StockHead stock={stock} narrowing={narrowing} onNarrow={() => setNarrowing(!narrowing)}>
        <FolderRow stock={stock} />
        {narrowing ? <Narrowing filter={filter} within={inGroup} onChange={setFilter} /> : null}
      </StockHead>
    </LongList>
  );
}
