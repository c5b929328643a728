package org.jalousie.server.adapters;

import com.sun.star.beans.XPropertySet;
import com.sun.star.container.XIndexAccess;
import com.sun.star.container.XNameAccess;
import com.sun.star.frame.XModel;
import com.sun.star.lang.XComponent;
import com.sun.star.text.XBookmarksSupplier;
import com.sun.star.text.XDocumentIndex;
import com.sun.star.text.XDocumentIndexesSupplier;
import com.sun.star.text.XTextContent;
import com.sun.star.text.XTextFieldsSupplier;
import com.sun.star.uno.UnoRuntime;
import com.sun.star.util.XRefreshable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.wording.FieldResults;

/** Reads what the word processor has worked out for a document's marked fields and its contents lists. */
final class WorkedOut {
    private final Map<String, String> results = new LinkedHashMap<>();
    private final List<List<String>> lists = new ArrayList<>();

    Map<String, String> results() {
        return results;
    }

    List<List<String>> lists() {
        return lists;
    }

    void read(XComponent document) throws Exception {
        XBookmarksSupplier supplier = UnoRuntime.queryInterface(XBookmarksSupplier.class, document);
        if (supplier == null) return;
        XNameAccess bookmarks = supplier.getBookmarks();
        boolean laidOut = false;
        for (String name : bookmarks.getElementNames()) {
            if (!FieldResults.isMark(name)) continue;
            if (!laidOut) layOut(document);
            laidOut = true;
            XTextContent mark = UnoRuntime.queryInterface(XTextContent.class, bookmarks.getByName(name));
            results.put(name, mark.getAnchor().getString());
        }
        XDocumentIndexesSupplier indexes = UnoRuntime.queryInterface(XDocumentIndexesSupplier.class, document);
        XIndexAccess all = indexes.getDocumentIndexes();
        for (int i = 0; i < all.getCount(); i++) {
            XDocumentIndex index = UnoRuntime.queryInterface(XDocumentIndex.class, all.getByIndex(i));
            String text = index.getAnchor().getString();
            lists.add(text.isEmpty() ? List.of() : List.of(text.split("\\R")));
        }
    }

    /** Numbers of pages are known once the pages are. */
    private static void layOut(XComponent document) throws Exception {
        XModel model = UnoRuntime.queryInterface(XModel.class, document);
        XPropertySet view = UnoRuntime.queryInterface(XPropertySet.class, model.getCurrentController());
        if (view != null) view.getPropertyValue("PageCount");
        XTextFieldsSupplier fields = UnoRuntime.queryInterface(XTextFieldsSupplier.class, document);
        UnoRuntime.queryInterface(XRefreshable.class, fields.getTextFields()).refresh();
    }
}
