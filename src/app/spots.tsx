import { Spots } from '@/features/attic/Spots';

export default Spots;
