import { askEarly } from '../api/early';

askEarly(location.pathname, document.cookie);
