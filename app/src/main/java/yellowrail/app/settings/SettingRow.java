package yellowrail.app.settings;

/** A setting's newest version as stored. */
record SettingRow(String name, String body) {}
