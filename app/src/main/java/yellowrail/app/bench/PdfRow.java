package yellowrail.app.bench;

/** The bytes of an issued sheet. */
record PdfRow(byte[] pdf) {}
