import { Patterns } from '@/features/attic/Patterns';

export default Patterns;
