import { Ledger } from '@/features/ledger/Ledger';

export default Ledger;
