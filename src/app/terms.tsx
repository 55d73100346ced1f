import { TermsPage } from '@/features/connections/TermsPage';

export default TermsPage;
