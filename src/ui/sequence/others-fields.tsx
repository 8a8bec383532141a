import { TextField } from '../kit/form';

/** Who does steps that are not ours, and when they said they come. */
export const OthersFields = () => (
  <>
    <p className="soft small-text">
      Work by others is waited for and not commanded: the client’s own electrician, the network’s people. Leave the name
      empty where it is ours.
    </p>
    <TextField name="who" label="Somebody else" />
    <TextField name="expectedOn" label="The day they named" type="date" />
  </>
);
