export { PeopleScreen } from './PeopleScreen';
export { PersonScreen } from './PersonScreen';
export { SignInScreen } from './SignInScreen';
export { WhoWrites } from './WhoWrites';
