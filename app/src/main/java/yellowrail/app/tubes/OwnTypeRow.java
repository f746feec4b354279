package yellowrail.app.tubes;

/** An own type's newest version as stored. */
record OwnTypeRow(String designation, String body) {}
