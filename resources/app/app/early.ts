import { askEarly } from '../api/early';

// The bench has its first answers in its page.
if (!document.getElementById('answers')) askEarly(document.cookie);
