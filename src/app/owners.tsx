import { Owners } from '@/features/attic/Owners';

export default Owners;
