import { MoneyPage } from '@/features/desk/MoneyPage';

export default MoneyPage;
