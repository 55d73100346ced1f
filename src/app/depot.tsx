import { Depot } from '@/features/depot/Depot';

export default Depot;
