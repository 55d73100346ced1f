import { Intake } from '@/features/intake/Intake';

export default Intake;
