import { CourierLines } from '@/features/ledger/CourierLines';

export default CourierLines;
