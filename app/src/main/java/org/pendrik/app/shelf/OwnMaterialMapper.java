package org.pendrik.app.shelf;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface OwnMaterialMapper {
    @Component
    class Bean extends MapperBean<OwnMaterialMapper> {
        Bean() {
            super(OwnMaterialMapper.class);
        }
    }

    @Select(
            """
            select material_key as "key", name, family, clear, finish, colour, touch_min, handle_min, recoat_min, full_min, work_from_min,
                work_until_min, gone
            from own_material order by name, material_key
            """)
    List<OwnMaterial> all();

    @Delete("delete from own_material where material_key = #{key}")
    void drop(String key);

    @Insert(
            """
            insert into own_material (material_key, name, family, clear, finish, colour, touch_min, handle_min, recoat_min, full_min,
                work_from_min, work_until_min, gone)
            values (#{key}, #{name}, #{family}, #{clear}, #{finish}, #{colour}, #{touchMin}, #{handleMin}, #{recoatMin},
                #{fullMin}, #{workFromMin}, #{workUntilMin}, false)
            """)
    void add(OwnMaterial m);

    @Update("update own_material set gone = #{gone} where material_key = #{key}")
    int setGone(@Param("key") String key, @Param("gone") boolean gone);

    /** A recipe with its target, be it kept or taken away. */
    record Named(java.util.UUID id, String name, String surface, boolean gone) {}

    @Select("select id, name, surface, gone from recipe order by made_on desc, id")
    List<Named> recipes();
}
