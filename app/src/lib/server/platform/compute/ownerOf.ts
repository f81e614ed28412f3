import { isStaff, type Person } from '../auth/access.ts';
import { ofStaff, ofStudent, type Owner } from './fairQueue.ts';

/** As whose a task counts that a person waits for. */
export function ownerOf(person: Person): Owner {
  return isStaff(person) ? ofStaff : ofStudent(person.id);
}
