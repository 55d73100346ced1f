// Before any schema is made: the validator asks whether it may make code, which the content security policy
// forbids.
import './src/contract/noEval';
import 'expo-router/entry';
