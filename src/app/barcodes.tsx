import { Barcodes } from '@/features/attic/Barcodes';

export default Barcodes;
