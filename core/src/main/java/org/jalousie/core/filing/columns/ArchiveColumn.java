package org.jalousie.core.filing.columns;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Names;
import org.jalousie.core.parties.Party;

/** A column of the archive's list. @param label as people know it */
public record ArchiveColumn(ColumnKey key, ColumnKind kind, String label) {
    /** How many a template may have: each costs room and a little time for every agreement that is filed. */
    public static final int MOST = 12;

    /** What can be a column of a template: its data that a line can show, and who fills its parts. */
    public static List<ArchiveColumn> offered(List<Field> fields, List<Party> parties) {
        List<ArchiveColumn> offered = new ArrayList<>();
        for (Field field : fields)
            if (Names.isName(field.name().value()))
                ColumnKind.of(field.type())
                        .ifPresent(kind ->
                                offered.add(new ArchiveColumn(ColumnKey.of(field.name()), kind, field.label())));
        for (Party party : parties)
            offered.add(new ArchiveColumn(ColumnKey.of(party.key()), ColumnKind.TEXT, party.label()));
        return offered;
    }
}
