import { sayInEnglish } from '../words/testing/english';

// Runs before each file of tests of the web application.
sayInEnglish();
